/** @jest-environment jsdom */
import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { deskOf } from '../testing/desk';
import { Filters } from './Filters';
import { NO_FILTER, passes, type NoteFilter } from './filter';

const { notes } = deskOf('<h2>Wax</h2><p>Read it <a href="a.html">here</a>.</p><p>See <img src="hive.png"> in the snow.</p>');

function Narrowed({ from = NO_FILTER }: { from?: NoteFilter }) {
  const [filter, setFilter] = useState(from);
  return (
    <>
      <Filters notes={notes} filter={filter} onChange={setFilter} />
      <output>
        {notes
          .filter((note) => passes(filter, note))
          .map((note) => note.family)
          .join(' ')}
      </output>
    </>
  );
}

const left = () => screen.getByRole('status', { name: '' }).textContent;

test('only the families that are on the page are offered, and choosing one narrows the notes', async () => {
  render(<Narrowed />);
  const family = screen.getByRole('combobox', { name: 'Family' });
  expect([...family.querySelectorAll('option')].map((option) => option.value)).toEqual(['', 'images', 'links']);
  await userEvent.selectOptions(family, 'links');
  expect(left()).toBe('links');
});

test('the rarer ways are shown on demand, criteria with their titles in order', async () => {
  render(<Narrowed />);
  expect(screen.queryByRole('combobox', { name: 'Criterion' })).toBeNull();
  await userEvent.click(screen.getByRole('button', { name: 'More ways' }));
  const offered = [...screen.getByRole('combobox', { name: 'Criterion' }).querySelectorAll('option')].map((option) => option.textContent);
  expect(offered).toEqual(['all', '1.1.1 Non-text Content', '2.4.4 Link Purpose (In Context)', expect.stringContaining('2.4.9')]);
  await userEvent.type(screen.getByRole('searchbox', { name: 'Words' }), 'hive');
  expect(left()).toBe('images');
});

test('what an address narrows to is shown, and one button shows all again', async () => {
  render(<Narrowed from={{ ...NO_FILTER, words: 'hive' }} />);
  expect(screen.getByRole<HTMLInputElement>('searchbox', { name: 'Words' }).value).toBe('hive');
  await userEvent.click(screen.getByRole('button', { name: 'Show all' }));
  expect(left()).toBe('links images');
  expect(screen.queryByRole('button', { name: 'Show all' })).toBeNull();
});
