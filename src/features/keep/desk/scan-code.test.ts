import jsQR from 'jsqr';
import { scanCode } from './scan-code';
import { deviceName } from './device-name';

/** So many pixels a square is wide. */
const WIDE = 4;

/** What a reader of others (jsQR, ISO/IEC 18004) sees in the squares. */
function readBack(words: string): string | null {
  const { dark, size } = scanCode(words);
  const width = size * WIDE;
  const pixels = new Uint8ClampedArray(width * width * 4).fill(255);
  for (const [row, column] of dark)
    for (let y = 0; y < WIDE; y++)
      for (let x = 0; x < WIDE; x++)
        pixels.fill(0, ((row * WIDE + y) * width + column * WIDE + x) * 4, ((row * WIDE + y) * width + column * WIDE + x) * 4 + 3);
  return jsQR(pixels, width, width)?.data ?? null;
}

it.each([
  'https://recado.museum.example:4443/link#abandon+ability+able+about+above+absent+absorb+abstract',
  'http://localhost:4180/link#zoo+zone+youth+young+yellow+year+yard+wrong',
])('a camera reads %s', (words) => expect(readBack(words)).toBe(words));

it.each([
  ['Mozilla/5.0 (X11; Linux x86_64) AppleWebKit/537.36 Chrome/149.0 Safari/537.36', 'Linux computer'],
  ['Mozilla/5.0 (Linux; Android 16; Pixel) AppleWebKit/537.36 Chrome/149.0 Mobile Safari/537.36', 'Android phone'],
  ['Mozilla/5.0 (Linux; Android 16) AppleWebKit/537.36 Chrome/149.0 Safari/537.36', 'Android tablet'],
  ['Mozilla/5.0 (iPhone; CPU iPhone OS 20_0 like Mac OS X) AppleWebKit/605.1.15', 'iPhone'],
  ['Mozilla/5.0 (Macintosh; Intel Mac OS X 10_15_7) AppleWebKit/605.1.15', 'Mac'],
  ['Mozilla/5.0 (Windows NT 10.0; Win64; x64) Gecko/20100101 Firefox/150.0', 'Windows computer'],
  ['something else', 'Computer'],
])('%s is called %s', (agent, name) => expect(deviceName(agent)).toBe(name));
