import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { describe, expect, test } from '@jest/globals';
import { tidelineStrap } from '../../../../demo/templates';
import { newPictureLayer } from '../../model/newLayers';
import type { Template } from '../../model/template';
import { readTemplatePackage, renamePictures, writeTemplatePackage } from './templatePackage';

const withPicture: Template = {
  ...tidelineStrap,
  backdrop: 'asset:below',
  layers: [newPictureLayer('logo', 'Logo', 'leaf'), ...tidelineStrap.layers],
};
const picture = (id: string) => ({
  id,
  name: `${id}.png`,
  mediaType: 'image/png',
  bytes: Uint8Array.from([1, 2, 3]),
});
const PICTURES = [picture('leaf'), picture('below')];

/** A package with its manifest changed. */
function changed(change: (manifest: Record<string, unknown>) => unknown, drop = ''): Uint8Array {
  const files = unzipSync(writeTemplatePackage(withPicture, PICTURES));
  const manifest = change(JSON.parse(strFromU8(files['manifest.json'])));
  const kept = Object.entries(files).filter(([name]) => name !== drop);
  return zipSync({ ...Object.fromEntries(kept), 'manifest.json': strToU8(JSON.stringify(manifest)) });
}

describe('a template package', () => {
  test('comes back as it went, pictures included, and is the same file every time', () => {
    const bytes = writeTemplatePackage(withPicture, PICTURES);
    expect(bytes).toEqual(writeTemplatePackage(withPicture, PICTURES));
    const back = readTemplatePackage(bytes, 'Package');
    expect(back.template).toEqual(withPicture);
    expect(back.pictures).toEqual(PICTURES);
    expect(back.missingFaces).toEqual([]);
  });

  test('names the faces that are not here', () => {
    const other = changed((manifest) => {
      const template = structuredClone(withPicture) as unknown as { layers: { style?: { face: string } }[] };
      const style = template.layers[1].style;
      if (style !== undefined) style.face = 'signwriter';
      return { ...manifest, template };
    });
    expect(readTemplatePackage(other, 'Package').missingFaces).toEqual(['signwriter']);
  });

  test.each([
    ['no zip', strToU8('not a zip'), /a zip file that is whole/],
    ['no manifest', zipSync({ 'x.txt': strToU8('x') }), /a file named manifest\.json/],
    [
      'a manifest that is no JSON',
      zipSync({ 'manifest.json': strToU8('{') }),
      /manifest\.json: expected JSON/,
    ],
    [
      'a later version',
      changed((m) => ({ ...m, version: 2 })),
      /version 1 or earlier, got 2\. It was exported by a later/,
    ],
    ['another kind', changed((m) => ({ ...m, kind: 'song' })), /kind: expected one of gilder-template/],
    ['a missing picture', changed((m) => m, 'pictures/1.png'), /expected the file pictures\/1\.png, got/],
    [
      'a picture not listed',
      changed((m) => ({ ...m, pictures: [] })),
      /expected the picture "leaf" in its list/,
    ],
    [
      'a broken template',
      changed((m) => ({ ...m, template: { version: 2 } })),
      /template, name: expected a value/,
    ],
  ])('with %s is refused', (_what, bytes, message) => {
    expect(() => readTemplatePackage(bytes, 'Package')).toThrow(message);
  });

  test('that would unpack to too much is refused before it is unpacked', () => {
    const bomb = zipSync({ 'a.bin': new Uint8Array(64) });
    // What the directory of the zip says of the file's size (PKWARE APPNOTE, 4.3.12) is what counts.
    const view = new DataView(bomb.buffer, bomb.byteOffset);
    const directory = bomb.findLastIndex(
      (_byte, i) => i + 4 <= bomb.length && view.getUint32(i, true) === 0x02014b50,
    );
    view.setUint32(directory + 24, 325_000_000, true);
    expect(() => readTemplatePackage(bomb, 'Package')).toThrow(/at most 300 MB when unpacked, got "325 MB"/);
  });

  test('can have its pictures known by other ids', () => {
    const renamed = renamePictures(
      withPicture,
      new Map([
        ['leaf', 'new-leaf'],
        ['below', 'new-below'],
      ]),
    );
    expect(renamed.backdrop).toBe('asset:new-below');
    expect(renamed.layers[0]).toMatchObject({ asset: 'new-leaf' });
  });

  test('its manifest has the parts that the documented schema asks for', () => {
    const file = join(import.meta.dirname, '../../../../docs/template-package.schema.json');
    const schema: { required: string[]; properties: Record<string, unknown> } = JSON.parse(
      readFileSync(file, 'utf8'),
    );
    const manifest = JSON.parse(
      strFromU8(unzipSync(writeTemplatePackage(withPicture, PICTURES))['manifest.json']),
    );
    expect(Object.keys(manifest).toSorted()).toEqual(schema.required.toSorted());
    expect(Object.keys(schema.properties).toSorted()).toEqual(schema.required.toSorted());
  });
});
