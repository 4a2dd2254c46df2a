/** @jest-environment jsdom */
import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { pageTextOf, keyOf } from '../engine/pageText';
import { deskOf, engineHere } from '../testing/desk';
import { RemedyForm, type RemedyFormProps } from './RemedyForm';

function start(html: string, over: Partial<RemedyFormProps> = {}) {
  const desk = deskOf(html);
  const onApply = jest.fn(() => Promise.resolve());
  const onSkip = jest.fn();
  render(
    <RemedyForm
      page={{ pageId: 7, collection: 'bees' }}
      text={pageTextOf(desk)}
      finding={keyOf(desk.notes[0]!)}
      busy={false}
      mayChange
      engine={engineHere()}
      onApply={onApply}
      onSkip={onSkip}
      {...over}
    />,
  );
  return { onApply, onSkip, form: () => screen.getByRole('form', { name: 'Fix' }), user: userEvent.setup() };
}

const LINK = '<h2>Wax</h2><p>All about frames: <a href="frames.html">here</a></p>';

test('what is typed is shown as it will be said, and applied with the Enter key', async () => {
  const { user, onApply, form } = start(LINK);
  const box = await screen.findByRole('textbox', { name: /what will the reader find there/i });
  await user.clear(box);
  await user.type(box, 'How frames are built');
  expect(await within(form()).findByText(/“Link, How frames are built/)).toBeTruthy();
  await user.type(box, '{Enter}');
  expect(onApply).toHaveBeenCalledWith('reword', { text: 'How frames are built' });
});

test('Enter applies from a description too; a box made for several lines takes Ctrl with it', async () => {
  const { user, onApply } = start('<p>Our hive: <img src="hive.png"></p>');
  await user.type(await screen.findByRole('textbox', { name: /^alternative text: /i }), 'A hive in snow{Enter}');
  expect(onApply).toHaveBeenLastCalledWith('describe', { alt: 'A hive in snow' });
});

test('a box made for several lines takes Enter as a line, and applies with Ctrl', async () => {
  const long = 'A hive in snow, with its roof off, the bees in a ball between the frames. '.repeat(4);
  const { user, onApply } = start(`<p>Our hive: <img src="hive.png" alt="${long}"></p>`);
  const whole = await screen.findByRole('radio', { name: /text/i });
  await user.click(whole);
  const lines = (await screen.findAllByRole<HTMLTextAreaElement>('textbox')).at(-1)!;
  await user.type(lines, '{Enter}And a robin.');
  expect(onApply).not.toHaveBeenCalled();
  expect(lines.value).toContain('\nAnd a robin.');
  await user.type(lines, '{Control>}{Enter}{/Control}');
  expect(onApply).toHaveBeenCalled();
});

test('a fix that would not do is not applied, and says why', async () => {
  const { user, onApply, form } = start(LINK);
  const box = await screen.findByRole('textbox', { name: /what will the reader find there/i });
  await user.clear(box);
  await user.type(box, '{Enter}');
  expect(onApply).not.toHaveBeenCalled();
  expect(
    within(form())
      .getAllByRole('status')
      .map((one) => one.textContent)
      .join(''),
  ).not.toBe('');
});

test('several fixes are a choice, and the one that is chosen is the one applied', async () => {
  const { user, onApply } = start('<h2>Wax</h2><p><img src="hive.png"></p>');
  await user.click(await screen.findByRole('radio', { name: /decorat/i }));
  await user.click(screen.getByRole('button', { name: 'Apply, go to next' }));
  expect(onApply).toHaveBeenCalledWith('decorative', {});
});

test('what was typed for one fix is still there after looking at another', async () => {
  const { user } = start('<h2>Wax</h2><p><img src="hive.png"></p>');
  await user.type(await screen.findByRole('textbox'), 'A hive in snow');
  await user.click(screen.getByRole('radio', { name: /decorat/i }));
  await user.click(screen.getAllByRole('radio')[0]!);
  expect(screen.getByRole<HTMLInputElement>('textbox').value).toBe('A hive in snow');
});

test('who may only look is told so, and can skip', async () => {
  const { user, onApply, onSkip } = start(LINK, { mayChange: false });
  await screen.findByRole('textbox');
  expect(screen.getByText(/you may look, not change/i)).toBeTruthy();
  await user.click(screen.getByRole('button', { name: 'Apply, go to next' }));
  expect(onApply).not.toHaveBeenCalled();
  await user.click(screen.getByRole('button', { name: 'Skip' }));
  expect(onSkip).toHaveBeenCalledTimes(1);
});

test('while something is under way nothing is applied a second time', async () => {
  const { user, onApply } = start(LINK, { busy: true });
  await user.type(await screen.findByRole('textbox'), ' more{Enter}');
  expect(onApply).not.toHaveBeenCalled();
});
