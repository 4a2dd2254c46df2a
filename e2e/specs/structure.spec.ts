import { expect, test } from '../support/test';
import { bringIn, freshTitle, sourceOf, standing } from '../support/desk';

test('the outline is put in order with the keys, with impostors in it, as one revision', async ({ page }) => {
  await bringIn(
    page,
    '<h2>Wax</h2>\n<p>Text.</p>\n<h4 class="k">Rendering</h4>\n<p><b>What it is for</b></p>\n<p>Candles and polish.</p>',
    freshTitle('Outline'),
  );
  await page.getByRole('tab', { name: 'Outline' }).click();
  const tree = page.getByRole('list', { name: 'Headings in order' });
  await expect(tree.getByRole('button', { name: /^level 4 ?Rendering ?leaps from 2 to 4/ })).toBeVisible();
  await page.getByRole('button', { name: 'Propose the least repair: 1 to change' }).click();
  await expect(tree.getByRole('button', { name: /^level 3 ?Rendering ?was level 4/ })).toBeVisible();

  await tree.getByRole('button', { name: /^no heading ?What it is for/ }).focus();
  await page.keyboard.press('ArrowRight');
  await expect(tree.getByRole('button', { name: /^level 3 ?What it is for ?was no heading/ })).toBeFocused();
  await page.keyboard.press('ArrowLeft');
  await expect(tree.getByRole('button', { name: /^level 2 ?What it is for/ })).toBeFocused();
  await page.getByRole('button', { name: 'Apply 2 changes' }).click();
  await expect(standing(page)).toContainText('revision 2, edited');
  await expect(page.getByRole('button', { name: 'No level to repair' })).toBeVisible();
  expect(await sourceOf(page)).toBe(
    '<h2>Wax</h2>\n<p>Text.</p>\n<h3 class="k">Rendering</h3>\n<h2>What it is for</h2>\n<p>Candles and polish.</p>',
  );
});

test('what is wanted of the outline waits while another face is looked at, and a line made plain is announced', async ({ page }) => {
  await bringIn(page, '<h2>Wax</h2><p>Text.</p><h2>Rendering</h2><p>Heat it.</p>', freshTitle('Waits'));
  await page.getByRole('tab', { name: 'Outline' }).click();
  await page.getByRole('button', { name: /^level 2 ?Rendering/ }).focus();
  await page.keyboard.press('Delete');
  await expect(page.getByRole('status').filter({ hasText: 'Rendering: plain text, no heading' })).toBeAttached();
  await page.getByRole('tab', { name: 'Proof' }).click();
  await page.getByRole('tab', { name: 'Outline' }).click();
  await expect(page.getByRole('button', { name: /^no heading ?Rendering ?was level 2/ })).toBeVisible();
  await page.getByRole('button', { name: 'Apply 1 change' }).click();
  await expect(standing(page)).toContainText('revision 2');
  await expect(page.getByRole('button', { name: 'Nothing to apply' })).toBeVisible();
});

test('a heading is dragged deeper', async ({ page }) => {
  await bringIn(page, '<h2>Wax</h2><p>Text.</p><h2>Rendering</h2><p>Heat it.</p>', freshTitle('Drag'));
  await page.getByRole('tab', { name: 'Outline' }).click();
  const line = page.getByRole('button', { name: /^level 2 ?Rendering/ });
  const box = (await line.boundingBox())!;
  await page.mouse.move(box.x + 40, box.y + 12);
  await page.mouse.down();
  await page.mouse.move(box.x + 74, box.y + 12, { steps: 6 });
  await page.mouse.up();
  await expect(page.getByRole('button', { name: /^level 3 ?Rendering ?was level 2/ })).toBeVisible();
});

test('a table with merged cells gets two rows of headers, and its empty header is filled in place', async ({ page }) => {
  await bringIn(
    page,
    '<h2>Yields</h2><table><caption>Honey</caption><tr><td rowspan=2>Hive</td><td colspan=2>Honey</td></tr><tr><td>Spring</td><td></td></tr><tr><td>North</td><td>12 kg</td><td>9 kg</td></tr></table>',
    freshTitle('Merged'),
  );
  await page.getByRole('tab', { name: 'Outline' }).click();
  await page.getByRole('tab', { name: 'Tables 1' }).click();
  await page.getByRole('radiogroup', { name: 'Headers' }).getByText('both').click();
  await expect(page.getByRole('radiogroup', { name: 'Rows of headers' }).getByRole('radio', { name: '2' })).toBeChecked();
  await page.getByRole('textbox', { name: 'Words for the empty header, row 2, cell 2' }).fill('Late summer');
  const grid = page.getByRole('region', { name: 'Honey, as it would be told' });
  await expect(grid.getByRole('cell', { name: /9 kg/ })).toContainText('read with: North, Late summer, Honey');
  await page.getByRole('button', { name: 'Apply', exact: true }).click();
  await expect(standing(page)).toContainText('revision 2');
  expect(await sourceOf(page)).toContain('<tr><th scope="col">Spring</th><th scope="col">Late summer</th></tr>');
});

test('a table’s headers and caption are chosen, and each cell shows what is read with it', async ({ page }) => {
  await bringIn(
    page,
    '<h2>Yields</h2><table><tr><td>Hive</td><td>Spring</td></tr><tr><td>North</td><td>12 kg</td></tr><tr><td>South</td><td>9 kg</td></tr></table>',
    freshTitle('Table'),
  );
  await page.getByRole('tab', { name: 'Outline' }).click();
  await page.getByRole('tab', { name: 'Tables 1' }).click();
  await page.getByRole('radiogroup', { name: 'Headers' }).getByText('both').click();
  await expect(page.getByRole('cell', { name: '12 kg read with: North, Spring' })).toBeVisible();
  await page.getByRole('textbox', { name: 'Caption' }).fill('Honey by hive');
  await page.getByRole('button', { name: 'Apply', exact: true }).click();
  await expect(standing(page)).toContainText('revision 2');
  expect(await sourceOf(page)).toContain(
    '<caption>Honey by hive</caption><tr><th scope="col">Hive</th><th scope="col">Spring</th></tr><tr><th scope="row">North</th><td>12 kg</td>',
  );
});

test('a layout table is taken away after a look at its reading order', async ({ page }) => {
  await bringIn(
    page,
    '<h2>Visit</h2><table border="0"><tr><td><p>Opening times</p></td><td><p>How to get here</p></td></tr><tr><td><p>Daily from nine.</p></td><td><p>By the towpath.</p></td></tr></table>',
    freshTitle('Layout'),
  );
  await page.getByRole('tab', { name: 'Outline' }).click();
  await page.getByRole('tab', { name: 'Tables 1' }).click();
  await page.getByRole('button', { name: 'It is only layout…' }).click();
  await page.getByText('column by column').click();
  await expect(page.getByRole('list', { name: 'Read in this order' }).getByRole('listitem')).toHaveText([
    'Opening times',
    'Daily from nine.',
    'How to get here',
    'By the towpath.',
  ]);
  await page.getByRole('button', { name: 'Take the table away' }).click();
  await expect(standing(page)).toContainText('revision 2');
  expect((await sourceOf(page)).replace(/\s+/g, '')).toBe(
    '<h2>Visit</h2><p>Openingtimes</p><p>Dailyfromnine.</p><p>Howtogethere</p><p>Bythetowpath.</p>',
  );
});

test('typed lines stand beside the nested list they become', async ({ page }) => {
  await bringIn(page, '<h2>Wax</h2><p>1. Candles</p><p>a) dipped</p><p>b) poured</p><p>2. Polish</p>', freshTitle('List'));
  await page.getByRole('tab', { name: 'Outline' }).click();
  await page.getByRole('tab', { name: 'Lists 1' }).click();
  const list = page.getByRole('region', { name: 'List 1' });
  await expect(list.getByText('a) dipped')).toBeVisible();
  await expect(list.getByRole('list').first().getByRole('listitem').first()).toHaveText(/^Candles/);
  await list.getByRole('button', { name: 'Make it a real list' }).click();
  await expect(standing(page)).toContainText('Ready');
  await expect(page.getByRole('region', { name: 'List 1' }).getByRole('heading', { name: 'Numbered list of 2' })).toBeVisible();
});
