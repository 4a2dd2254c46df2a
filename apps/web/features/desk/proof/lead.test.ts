import { leadOf } from './Proof';

const EDGE = 700;

test('a piece that reaches the margin is joined straight to its mark', () => {
  expect(leadOf({ top: 100, left: 40, width: 640, height: 30 }, 115, EDGE)).toMatchObject({ top: 115, left: 683, borderTopWidth: 2 });
});

test('a word in the middle of a line is joined under the line, and along the margin', () => {
  const down = leadOf({ top: 100, left: 40, width: 60, height: 18 }, 160, EDGE);
  expect(down).toMatchObject({ top: 121, height: 41, left: 103, borderTopWidth: 2, borderRightWidth: 2 });
  const up = leadOf({ top: 100, left: 40, width: 60, height: 18 }, 90, EDGE);
  expect(up).toMatchObject({ top: 90, height: 33, borderBottomWidth: 2, borderRightWidth: 2 });
});
