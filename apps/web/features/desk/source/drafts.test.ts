/** @jest-environment jsdom */
import { OneAtATime, type Draft } from './drafts';

const draft = (html: string): Draft => ({ base: 3, revision: 2, html, at: '2026-11-24T08:00:00Z' });

/** A keeper whose writes end when they are told to. */
function slowKeeper() {
  const written: (string | null)[] = [];
  const ends: ((refuse?: boolean) => void)[] = [];
  const write = (html: string | null) =>
    new Promise<void>((resolve, reject) =>
      ends.push((refuse) => {
        if (refuse) return reject(new Error('quota'));
        written.push(html);
        resolve();
      }),
    );
  return {
    written,
    ends,
    shelf: new OneAtATime({ read: () => Promise.resolve(null), keep: (one) => write(one.html), drop: () => write(null) }),
  };
}

const settled = () => new Promise((resolve) => setTimeout(resolve, 0));

test('while one draft is being written only the newest waits, and everybody is told once it is kept', async () => {
  const { shelf, ends, written } = slowKeeper();
  const kept = ['a', 'ab', 'abc', 'abcd'].map((html) => shelf.keep(draft(html)));
  ends[0]!();
  await settled();
  ends[1]!();
  expect(await Promise.all(kept)).toEqual([true, true, true, true]);
  expect(written).toEqual(['a', 'abcd']);
});

test('a draft that is dropped while it is written is gone in the end', async () => {
  const { shelf, ends, written } = slowKeeper();
  void shelf.keep(draft('a'));
  const dropped = shelf.drop();
  ends[0]!();
  await settled();
  ends[1]!();
  await dropped;
  expect(written).toEqual(['a', null]);
});

test('a browser that will not keep it says so, and the next one is tried again', async () => {
  const { shelf, ends, written } = slowKeeper();
  const first = shelf.keep(draft('a'));
  ends[0]!(true);
  expect(await first).toBe(false);
  const second = shelf.keep(draft('b'));
  ends[1]!();
  expect(await second).toBe(true);
  expect(written).toEqual(['b']);
});

test('one that cannot be read is none', async () => {
  const shelf = new OneAtATime({
    read: () => Promise.reject(new Error('blocked')),
    keep: () => Promise.resolve(),
    drop: () => Promise.resolve(),
  });
  expect(await shelf.read()).toBeNull();
});
