import { readFileSync } from 'node:fs';
import path from 'node:path';

const sheet = (name: string): string => readFileSync(path.join(__dirname, name), 'utf8').replace(/\/\*[^]*?\*\//g, '');

/** The rules of a sheet that set tokens on the page, outside of what the system forces, with what each asks of it. */
function rules(css: string): { asks: Map<string, string>; tokens: [string, string][] }[] {
  const plain = css.split('@media (forced-colors')[0] ?? '';
  return [...plain.matchAll(/(?:^|\n):root((?:\[[^\]]+\])*) \{([^}]*)\}/g)].map(([, given = '', body = '']) => ({
    asks: new Map([...given.matchAll(/\[data-([a-z]+)='([a-z]+)'\]/g)].map(([, name = '', value = '']) => [name, value])),
    tokens: [...body.matchAll(/--([a-z-]+): (#[0-9a-f]{6});/g)].map(([, name = '', value = '']) => [name, value]),
  }));
}

const ALL = [...rules(sheet('styles.css')), ...rules(sheet('looks.css'))];

/** The tokens of a look: of rules that fit, the one that asks for most counts, and of equal ones the last. */
function tokensOf(look: Readonly<Record<string, string>>): (name: string) => string {
  const fitting = ALL.filter(({ asks }) => [...asks].every(([name, value]) => look[name] === value)).sort(
    (a, b) => a.asks.size - b.asks.size,
  );
  const tokens = new Map(fitting.flatMap((rule) => rule.tokens));
  return (name) => tokens.get(name) ?? '';
}

/** Relative luminance and contrast ratio as WCAG 2.2 defines them. */
function luminance(hex: string): number {
  const [red = 0, green = 0, blue = 0] = [1, 3, 5].map((at) => {
    const part = parseInt(hex.slice(at, at + 2), 16) / 255;
    return part <= 0.04045 ? part / 12.92 : ((part + 0.055) / 1.055) ** 2.4;
  });
  return 0.2126 * red + 0.7152 * green + 0.0722 * blue;
}

function ratio(a: string, b: string): number {
  const [light = 0, dark = 0] = [luminance(a), luminance(b)].sort((one, other) => other - one);
  return (light + 0.05) / (dark + 0.05);
}

const LOOKS = ['light', 'dark'].flatMap((theme) =>
  ['usual', 'high'].flatMap((contrast) => ['teal', 'blue', 'violet', 'slate'].map((accent) => ({ theme, contrast, accent }))),
);

describe('the measure', () => {
  // The extreme values of WCAG 2.2; the third is widely published as the first grey that passes AA on white (from memory).
  it('is that of the standard', () => {
    expect(ratio('#000000', '#ffffff')).toBeCloseTo(21, 5);
    expect(ratio('#123456', '#123456')).toBe(1);
    expect(ratio('#767676', '#ffffff')).toBeGreaterThan(4.5);
    expect(ratio('#777777', '#ffffff')).toBeLessThan(4.5);
  });
});

describe.each(LOOKS)('the look %j', (look) => {
  const token = tokensOf(look);
  const least = look.contrast === 'high' ? 7 : 4.5;
  const grounds = ['sheet', 'raised', 'ground'];

  it.each(['ink', 'muted', 'primary', 'late'])('%s can be read on every ground', (words) => {
    for (const ground of grounds) expect([ground, ratio(token(words), token(ground)) >= least]).toEqual([ground, true]);
  });

  it('what can be pressed, what is chosen and what is said of a day can be read', () => {
    expect(ratio(token('on-primary'), token('primary'))).toBeGreaterThanOrEqual(least);
    for (const [words, ground] of [
      ['ink', 'primary-soft'],
      ['ink', 'sun-soft'],
      ['late', 'late-soft'],
    ] as const)
      expect([words, ground, ratio(token(words), token(ground)) >= 4.5]).toEqual([words, ground, true]);
  });

  it('edges and marks that carry meaning stand out', () => {
    const edge = look.contrast === 'high' ? 4.5 : 3;
    for (const sign of ['edge', 'primary', 'kept', 'teal', 'amber', 'blue', 'violet', 'late'])
      expect([sign, ratio(token(sign), token('sheet')) >= edge]).toEqual([sign, true]);
  });

  it('what is late does not look like what can be pressed', () => {
    const hue = (hex: string): number => {
      const [r = 0, g = 0, b = 0] = [1, 3, 5].map((at) => parseInt(hex.slice(at, at + 2), 16));
      return (Math.atan2(Math.sqrt(3) * (g - b), 2 * r - g - b) * 180) / Math.PI;
    };
    const apart = Math.abs(((hue(token('primary')) - hue(token('late')) + 540) % 360) - 180);
    expect(apart).toBeGreaterThan(40);
  });
});
