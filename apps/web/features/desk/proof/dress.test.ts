/** @jest-environment jsdom */
import { enlargeText, imagesAsWords } from './dress';

function page(body: string): Document {
  const frame = document.body.appendChild(document.createElement('iframe'));
  frame.contentDocument!.body.innerHTML = body;
  return frame.contentDocument!;
}

test('every size is doubled once, not again for each level of nesting', () => {
  const here = page('<div style="font-size: 20px"><p style="font-size: 10px">small <b style="font-size: 12px">bold</b></p></div>');
  enlargeText(here, 2);
  expect(['div', 'p', 'b'].map((tag) => here.querySelector<HTMLElement>(tag)!.style.fontSize)).toEqual(['40px', '20px', '24px']);
});

test('images give way to their words; a missing alternative is said, a decorative image leaves nothing', () => {
  const here = page(
    '<picture><source srcset="b.png"><img src="a.png" alt="A hive" width="90"></picture><img src="c.png"><img src="d.png" alt="">',
  );
  imagesAsWords(here);
  expect([...here.images].map((image) => [image.alt, image.hasAttribute('src')])).toEqual([
    ['A hive', false],
    ['Image, nothing said', false],
    ['', false],
  ]);
  expect(here.querySelector('source')).toBeNull();
});
