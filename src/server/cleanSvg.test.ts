import { describe, expect, test } from '@jest/globals';
import { InputError } from '@/core/kit/inputError';
import { cleanSvg } from './cleanSvg';

const svg = (inside: string): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" width="10" height="10">${inside}</svg>`;

describe('an SVG from outside', () => {
  test('keeps what draws', () => {
    const clean = cleanSvg(svg('<g fill="url(#a)"><path d="M0 0L9 9"/></g>'), 'File');
    expect(clean).toContain('d="M0 0L9 9"');
    expect(clean).toContain('fill="url(#a)"');
  });

  test.each([
    ['scripts', '<script>alert(1)</script>', 'alert'],
    ['handlers', '<rect onload="alert(1)" width="3" height="3"/>', 'alert'],
    ['foreign objects', '<foreignObject><p>words</p></foreignObject>', 'words'],
    ['links to elsewhere', '<image xlink:href="http://elsewhere.invalid/a.png"/>', 'elsewhere'],
    ['references in styles', '<rect style="fill: url(http://elsewhere.invalid/#a)"/>', 'elsewhere'],
    ['imported style sheets', '<style>@import "http://elsewhere.invalid/a.css";</style>', 'elsewhere'],
    ['uses of other files', '<use href="other.svg#a"/>', 'other.svg'],
  ])('loses %s', (_what, inside, gone) => {
    const clean = cleanSvg(svg(`${inside}<path d="M1 1"/>`), 'File');
    expect(clean).not.toContain(gone);
    expect(clean).toContain('M1 1');
  });

  test.each([
    ['entities', `<!DOCTYPE svg [<!ENTITY a "aaaa">]>${svg('&a;')}`, /without entities/],
    ['no svg', '<html></html>', /an <svg> element/],
    ['half of one', '<svg><g>', /an SVG that is whole/],
    [
      'far too long a path',
      svg(`<path d="M0 0${' L1 1'.repeat(1_000_000)}"/>`),
      /at most 4 million characters/,
    ],
  ])('with %s is refused in words', (_what, source, message) => {
    expect(() => cleanSvg(source, 'File')).toThrow(InputError);
    expect(() => cleanSvg(source, 'File')).toThrow(message);
  });
});
