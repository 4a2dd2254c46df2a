/** @jest-environment jsdom */
import { act, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { engineHere, deskOf } from '../testing/desk';
import type { DeskActions, DeskState } from '../useDesk';
import { pageTextOf } from '../engine/pageText';
import { HeadingTree } from './HeadingTree';

const PAGE =
  '<h2>Wax</h2><p>Text of the part.</p><h4>Honey</h4><p>Text of the part.</p><p><b>Queens</b></p><p>Text of that part, which goes on for a line.</p><h2>Frames</h2><p>Text.</p>';

async function start(html = PAGE, mayChange = true) {
  const desk = deskOf(html);
  const { headings } = await engineHere().ask<'structure'>({ kind: 'structure', page: pageTextOf(desk) });
  const actions = { arrange: jest.fn(() => Promise.resolve(true)), point: jest.fn() };
  render(
    <HeadingTree
      lines={headings}
      state={{ desk, busy: false } as DeskState}
      actions={actions as unknown as DeskActions}
      mayChange={mayChange}
      kept={new Map()}
    />,
  );
  return {
    actions,
    user: userEvent.setup(),
    line: (name: RegExp) =>
      within(screen.getByRole('list', { name: 'Headings in order' }))
        .getAllByRole('button')
        .find((button) => button.classList.contains('line') && name.test(button.textContent))!,
  };
}

test('a leap and a line that only looks like a heading are told on their lines', async () => {
  const { line } = await start();
  expect(line(/Honey/).textContent).toMatch(/^level 4/);
  expect(line(/Queens/).textContent).toContain('looks like a heading');
  expect(line(/Frames/).textContent).toBe('level 2Frames');
});

test('arrow keys change a level, tell it, and nothing is changed until it is applied', async () => {
  const { user, line, actions } = await start();
  act(() => line(/Honey/).focus());
  await user.keyboard('{ArrowLeft}');
  expect(line(/Honey/).textContent).toBe('level 3Honeywas level 4');
  expect(screen.getByRole('status').textContent).toBe('Honey: level 3');
  expect(actions.arrange).not.toHaveBeenCalled();
  await user.click(screen.getByRole('button', { name: 'Apply 1 change' }));
  expect(actions.arrange).toHaveBeenCalledWith({ kind: 'levels', levels: [{ path: '/html[1]/body[1]/h4[1]', level: 3 }] });
});

test('the least repair is proposed before anything is changed, and can be set back', async () => {
  const { user, line, actions } = await start();
  await user.click(screen.getByRole('button', { name: /Propose the least repair: 1/ }));
  expect(line(/Honey/).textContent).toContain('level 3');
  expect(line(/Wax/).textContent).toBe('level 2Wax');
  await user.click(screen.getByRole('button', { name: 'Set back' }));
  expect(line(/Honey/).textContent).toMatch(/^level 4/);
  expect(actions.arrange).not.toHaveBeenCalled();
});

test('up and down go from line to line with one tab stop', async () => {
  const { user, line } = await start();
  act(() => line(/Wax/).focus());
  await user.keyboard('{ArrowDown}{ArrowDown}');
  expect(document.activeElement).toBe(line(/Queens/));
  expect(line(/Queens/).tabIndex).toBe(0);
  expect(line(/Wax/).tabIndex).toBe(-1);
  await user.keyboard('{End}');
  expect(document.activeElement).toBe(line(/Frames/));
});

test('Delete makes a heading plain text', async () => {
  const { user, line } = await start();
  act(() => line(/Honey/).focus());
  await user.keyboard('{Delete}');
  expect(line(/Honey/).textContent).toContain('no heading');
});

test('each line leads to its place on the proof', async () => {
  const { user, actions } = await start();
  await user.click(screen.getByRole('button', { name: 'Show on the proof: Honey' }));
  expect(actions.point).toHaveBeenCalledWith('/html[1]/body[1]/h4[1]');
});

test('who may only look changes nothing', async () => {
  const { user, line } = await start(PAGE, false);
  act(() => line(/Honey/).focus());
  await user.keyboard('{ArrowLeft}{Delete}');
  expect(line(/Honey/).textContent).toMatch(/^level 4/);
});

test('a page without headings says so', async () => {
  await start('<p>Text.</p>');
  expect(screen.getByText('This page has no headings, and no line that looks like one.')).toBeTruthy();
});
