import { isReadable } from './readable';

test.each([
  ['/search?words=hive', true],
  ['/search?words=100%25+wax', true],
  ['/collections/bees/%C3%96ffnung', true],
  ['/search?words=%00', false],
  ['/statement/%00', false],
  ['/collections/%E0%A4%A', false],
  ['/search?words=%', false],
  ['/search?words=%ED%A0%80', false],
  ['/search?words=%FF', false],
])('%s can be read: %s', (path, is) => {
  expect(isReadable(`http://127.0.0.1${path}`)).toBe(is);
});
