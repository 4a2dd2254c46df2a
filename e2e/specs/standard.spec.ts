import { expect, test } from '../support/test';
import { readFileSync } from 'node:fs';
import { atDesk, broughtIn, ownCollection, ownTitle } from '../support/desk';

test('what a standard would change is seen before it is saved; versions are compared and gone back on; it goes out and in as a file', async ({
  page,
}) => {
  const collection = await ownCollection();
  await broughtIn(page, collection, 'One', '<h2>Wax</h2><p><img src="images/hive.png"></p>');
  await page.goto('/');
  await atDesk(page, 'Sam Okello, administrator');
  await page.goto('/standard');
  // A profile of its own for this collection.
  const name = `For ${ownTitle()} ${process.pid}`;
  await page.getByRole('button', { name: 'New profile…' }).click();
  await page.getByRole('textbox', { name: 'Name', exact: true }).fill(name);
  await page.getByRole('button', { name: 'Add it' }).click();
  await expect(page.getByText('A profile beside the house’s own, version 1, for 0 pages.')).toBeVisible();
  await page.getByRole('button', { name: 'Hold some to a profile…' }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByLabel('Profile').selectOption(name);
  await sheet.getByLabel('Collection').selectOption(ownTitle());
  await sheet.getByRole('button', { name: 'Hold them to it' }).click();
  await expect(page.getByText(/^A profile beside the house’s own, version 1, for [1-9]\d* pages?\.$/)).toBeVisible();
  await expect(page.getByRole('listitem').filter({ hasText: `${ownTitle()}: ${name}` })).toBeVisible();

  await page.getByLabel('Find a rule').fill('no alternative text');
  await page.getByLabel('Weight of “Image with no alternative text”').selectOption('off');
  const effect = page.getByRole('region', { name: 'What it would change' });
  await expect(effect.getByRole('status')).toHaveText(/^\d+ pages? fewer would be held\.$/);
  await effect.getByRole('button', { name: 'Save as a new version' }).click();
  await expect(page.getByText(/version 2, for \d/)).toBeVisible();
  await page.getByText('What version 2 changed (1)').click();
  await expect(page.getByText('Weight, Image with no alternative text: as usual → off')).toBeVisible();
  // As a file it holds what was saved; another level in it goes into the form, where a wrong one is told.
  const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name: 'Download it' }).click()]);
  const text = readFileSync(await file.path(), 'utf8');
  expect(JSON.parse(text)).toMatchObject({ level: 'AA', weights: { 'images/no-alternative': 'off' } });
  const give = (buffer: string) =>
    page.getByLabel('Profile file').setInputFiles({ name: 'p.json', mimeType: 'application/json', buffer: Buffer.from(buffer) });
  await give(text.replace('"AA"', '"AAA"'));
  await expect(page.getByRole('combobox', { name: /^Level/ })).toHaveValue('AAA');
  await give(text.replace('"AA"', '"B"'));
  await expect(page.getByText('This file is no profile that could be used')).toBeVisible();
  await page.getByRole('button', { name: 'Back to 1' }).click();
  await expect(effect.getByRole('status')).toHaveText(/^\d+ ready pages? would be held/);
  await effect.getByRole('button', { name: 'Save as a new version' }).click();
  await expect(page.getByText(/version 3, for \d/)).toBeVisible();
});
