/** @jest-environment jsdom */
import { fireEvent, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { ExceptionForm } from './ExceptionForm';

// jsdom has no CSS.escape; the ids here need none.
Object.assign(globalThis, { CSS: { escape: (text: string) => text } });

function start(granted = true, problem: Parameters<typeof ExceptionForm>[0]['problem'] = null) {
  const onGrant = jest.fn(() => Promise.resolve(granted));
  const onClose = jest.fn();
  render(
    <ExceptionForm
      open
      sentence="The image hive.png has no alternative"
      busy={false}
      problem={problem}
      onClose={onClose}
      onGrant={onGrant}
    />,
  );
  return {
    onGrant,
    onClose,
    user: userEvent.setup(),
    grant: () => screen.getByRole<HTMLButtonElement>('button', { name: 'Let it stand' }),
  };
}

const day = (ahead: number) => new Date(Date.now() + ahead * 86_400_000).toISOString().slice(0, 10);

test('a reason and a day let a note stand, and the sheet closes', async () => {
  const { user, onGrant, onClose, grant } = start();
  expect(grant().disabled).toBe(true);
  await user.type(screen.getByRole('textbox', { name: 'Why' }), 'The new image comes in May.');
  fireEvent.change(screen.getByLabelText(/Until/), { target: { value: day(30) } });
  await user.click(grant());
  expect(onGrant).toHaveBeenCalledWith('The new image comes in May.', day(30));
  expect(onClose).toHaveBeenCalledTimes(1);
});

test('the day is three months ahead at first, not past and not further than two years', () => {
  start();
  const until = screen.getByLabelText<HTMLInputElement>(/Until/);
  expect([until.value, until.min, until.max]).toEqual([day(90), day(0), day(730)]);
});

test('a refusal is told in the sheet, which stays open with what was typed', async () => {
  const { user, onClose, grant } = start(false, {
    code: 'not-allowed',
    what: 'Only a reviewer may do this',
    why: 'It lets a page be published.',
  });
  const why = screen.getByRole<HTMLTextAreaElement>('textbox', { name: 'Why' });
  await user.type(why, 'For now.');
  await user.click(grant());
  expect(onClose).not.toHaveBeenCalled();
  expect(why.value).toBe('For now.');
  expect(screen.getByText('Only a reviewer may do this')).toBeTruthy();
});

test('Escape closes it and nothing is granted', async () => {
  const { user, onGrant, onClose } = start();
  await user.keyboard('{Escape}');
  expect(onClose).toHaveBeenCalled();
  expect(onGrant).not.toHaveBeenCalled();
});
