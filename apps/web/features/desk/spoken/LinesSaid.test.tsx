/** @jest-environment jsdom */
import { render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import type { SpokenLine } from '@inkwell/core';
import { pageTextOf } from '../engine/pageText';
import { AT_FIRST, deskOf, engineHere, OnePageServer } from '../testing/desk';
import { useDesk, type DeskActions } from '../useDesk';
import { LinesSaid } from './LinesSaid';

const PAGE =
  '<h2>Wax</h2><p>All about frames: <a href="frames.html">here</a></p><p>See <img src="hive.png"> in winter.</p><ul><li>One</li><li>Two</li></ul>';

async function start(html = PAGE) {
  Element.prototype.scrollIntoView = () => undefined;
  const { desk } = new OnePageServer(deskOf(html));
  const { lines } = await engineHere().ask<'heard'>({ kind: 'heard', page: pageTextOf(desk) });
  const point = jest.fn();
  function Listening({ said }: { said: readonly SpokenLine[] }) {
    const [state, actions] = useDesk(desk, AT_FIRST);
    const [at, setAt] = useState(0);
    return <LinesSaid lines={said} at={at} onAt={setAt} state={state} actions={{ ...actions, point } as DeskActions} />;
  }
  render(<Listening said={lines} />);
  return {
    point,
    desk,
    user: userEvent.setup(),
    line: (says: RegExp) =>
      within(screen.getByRole('list'))
        .getAllByRole('button', { name: says })
        .find((button) => button.hasAttribute('data-line'))!,
  };
}

test('the page is said line by line, the note at hand at its line', async () => {
  const { line } = await start();
  expect(line(/Wax/).textContent).toBe('Heading level 2, Wax');
  await waitFor(() => expect(line(/here/).getAttribute('aria-current')).toBe('true'));
  expect(line(/Wax/).tabIndex).toBe(-1);
});

test('arrow keys go from line to line, and stop at the ends', async () => {
  const { user, line } = await start();
  await user.click(line(/Wax/));
  await user.keyboard('{ArrowUp}');
  expect(document.activeElement).toBe(line(/Wax/));
  await user.keyboard('{ArrowDown}');
  expect(document.activeElement).not.toBe(line(/Wax/));
  await user.keyboard('{Home}');
  expect(document.activeElement).toBe(line(/Wax/));
});

test('a line has its notes beside it, and leads to its place on the proof', async () => {
  const { user, line, point } = await start();
  const row = line(/here/).closest('li')!;
  const [chip] = within(row)
    .getAllByRole('button')
    .filter((button) => !button.hasAttribute('data-line'));
  expect(chip).toBeTruthy();
  await user.click(line(/Wax/));
  await user.click(screen.getByRole('button', { name: /^Show on the proof: .*Wax/ }));
  expect(point).toHaveBeenCalledWith('/html[1]/body[1]/h2[1]');
});

test('a page that says nothing says so', async () => {
  await start('<div></div>');
  expect(screen.getByText('Nothing is said of this page.')).toBeTruthy();
});
