import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { describe, expect, test } from '@jest/globals';
import { tidelineStrap } from '../../../../demo/templates';
import { newPictureLayer } from '../../model/newLayers';
import type { Template } from '../../model/template';
import { missingFaces, readTemplatePackage, renamePictures, writeTemplatePackage } from './templatePackage';

/** What a package holds, as far as the core reads it. */
function read(bytes: Uint8Array) {
  const files = unzipSync(bytes);
  return readTemplatePackage(files['manifest.json'], new Set(Object.keys(files)), 'Package');
}

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
    const back = read(bytes);
    expect(back.template).toEqual(withPicture);
    const files = unzipSync(bytes);
    const pictures = back.pictures.map(({ file, ...facts }) => ({ ...facts, bytes: files[file] }));
    expect(pictures).toEqual(PICTURES);
    expect(missingFaces(back.template)).toEqual([]);
  });

  test('has the fonts of faces that do not ship, and is of a version then that older programs refuse', () => {
    const [text] = tidelineStrap.layers.filter((layer) => layer.kind === 'text');
    const template = {
      ...tidelineStrap,
      layers: [
        { ...text, style: { ...text.style, face: 'own-marrow-sans' } },
        ...tidelineStrap.layers.slice(1),
      ],
    } as Template;
    const bytes = Uint8Array.from([0x4f, 0x54, 0x54, 0x4f]);
    const file = writeTemplatePackage(
      template,
      [],
      [{ face: 'own-marrow-sans', fileName: 'marrow.otf', bytes }],
    );
    const inside = unzipSync(file);
    expect(inside['fonts/1.otf']).toEqual(bytes);
    expect(JSON.parse(strFromU8(inside['manifest.json']))).toMatchObject({ version: 2 });
    expect(read(file).fonts).toEqual([{ file: 'fonts/1.otf', name: 'marrow.otf' }]);
    const lost = zipSync({ 'manifest.json': inside['manifest.json'] });
    expect(() => read(lost)).toThrow(/needs the file fonts\/1\.otf in it, found/);
    // What older programs can read they still do.
    const plain = unzipSync(writeTemplatePackage(tidelineStrap, []));
    expect(JSON.parse(strFromU8(plain['manifest.json']))).toMatchObject({ version: 1 });
  });

  test('names the faces that are not here', () => {
    const other = changed((manifest) => {
      const template = structuredClone(withPicture) as unknown as { layers: { style?: { face: string } }[] };
      const style = template.layers[1].style;
      if (style !== undefined) style.face = 'signwriter';
      return { ...manifest, template };
    });
    expect(missingFaces(read(other).template)).toEqual(['signwriter']);
  });

  test.each([
    ['a manifest that is no JSON', zipSync({ 'manifest.json': strToU8('{') }), /manifest\.json: needs JSON/],
    [
      'a later version',
      changed((m) => ({ ...m, version: 4 })),
      /version 3 or earlier, found 4\. It was exported by a later/,
    ],
    ['another kind', changed((m) => ({ ...m, kind: 'song' })), /kind: needs one of gilder-template/],
    ['a missing picture', changed((m) => m, 'pictures/1.png'), /needs the file pictures\/1\.png, found/],
    [
      'a picture not listed',
      changed((m) => ({ ...m, pictures: [] })),
      /needs the picture "leaf" in its list/,
    ],
    [
      'a broken template',
      changed((m) => ({ ...m, template: { version: 2 } })),
      /template, name: needs a value/,
    ],
  ])('with %s is refused', (_what, bytes, message) => {
    expect(() => read(bytes)).toThrow(message);
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
    const sounding = writeTemplatePackage(withPicture, PICTURES, [], {
      fileName: 'a.wav',
      bytes: new Uint8Array(2),
    });
    const whole = JSON.parse(strFromU8(unzipSync(sounding)['manifest.json']));
    expect(Object.keys(schema.properties).toSorted()).toEqual(Object.keys(whole).toSorted());
    expect([manifest.version, whole.version, whole.sound]).toEqual([
      1,
      3,
      { file: 'sound/1.wav', name: 'a.wav' },
    ]);
  });
});
