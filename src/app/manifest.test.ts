import { readFileSync } from 'node:fs';
import { imageSize } from 'image-size';
import manifest from './manifest';

test('every icon that a tablet is offered is there and of the size that is said', () => {
  const icons = (manifest().icons ?? []).filter(({ type }) => type === 'image/png');
  expect(icons.map(({ sizes }) => sizes)).toEqual(['192x192', '512x512', '512x512']);
  for (const { src, sizes } of icons) {
    const { width, height } = imageSize(readFileSync(`public${src}`));
    expect(`${width}x${height}`).toBe(sizes);
  }
});
