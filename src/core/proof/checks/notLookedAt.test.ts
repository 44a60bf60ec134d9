import { describe, expect, test } from '@jest/globals';
import { place, testTemplate, testText } from '../../testing';
import { newBoxLayer, newProgrammeLayer } from '../../model/newLayers';
import { newClip } from '../../model/project';
import type { Template } from '../../model/template';
import type { Finding } from '../finding';
import { CLIPS, messages, of, prove, title } from '../../../../demo/testing/prove';

describe('what could not be looked at', () => {
  const missing = [
    newClip({ id: 'm', picture: 'missing', label: 'Ferry', startFrame: 0, lengthFrames: 1000 }),
  ];

  test('a title over a picture that is not here, or that ends under it, is not looked at', async () => {
    const [finding] = of(await prove({ clips: missing, titles: [title()] }), 'pictures');
    expect(finding).toMatchObject({ tone: 'unseen', message: 'not looked at: no picture', frame: 0 });
    expect(finding.detail).toContain('“Ferry” at 00:00:00:00');
    const short = [{ ...CLIPS[0], sourceStartFrame: 10, sourceLengthFrames: 210 }];
    expect(await messages({ clips: short, titles: [title()] })).toContain('not looked at: the picture ends');
    const enough = [{ ...CLIPS[0], sourceStartFrame: 10, sourceLengthFrames: 260 }];
    expect(of(await prove({ clips: enough, titles: [title()] }), 'pictures')).toEqual([]);
    const beside = title(undefined, { startFrame: 1000 });
    expect(of(await prove({ titles: [beside], clips: missing }), 'pictures')).toEqual([]);
  });

  test('words on the programme picture where that is smaller are not looked at; on a panel or beside it they are', async () => {
    const words = (dxU: number): Template =>
      testTemplate([
        testText('line', 'Osier', { place: place({ target: { kind: 'frame' }, dxU, dyU: 300 }) }),
        {
          ...newProgrammeLayer('small', 'Programme', 900),
          place: place({ target: { kind: 'frame' }, dyU: 200 }),
        },
      ]);
    const told = async (template: Template): Promise<string[]> =>
      of(await prove({ titles: [title({})], template }), 'contrast').map(({ message }) => message);
    expect(await told(words(200))).toEqual(['contrast not looked at: on the programme picture']);
    expect(await told(words(1200))).not.toContain('contrast not looked at: on the programme picture');
    const panel = { ...newBoxLayer('panel', 'Panel', ['line']), fill: '#000000', fillOpacity: 1 };
    const [line, small] = words(200).layers;
    expect(await told(testTemplate([line, panel, small]))).toEqual([]);
  });

  test('a title whose template is not here is not looked at, and not clear', async () => {
    const found = await prove({ titles: [title(undefined, { editionId: 'gone' })] });
    expect(found).toMatchObject([{ tone: 'unseen', message: 'not looked at: no template' }]);
  });

  test('words of a language without a dictionary are not looked at; names and empty fields have nothing to look at', async () => {
    const german = { plan: { language: 'de-AT' } };
    const role = title({ name: 'Ilse', role: 'Schleusenwärterin am Wehr' });
    expect(await messages({ titles: [role], ...german })).toContain('spelling not looked at');
    expect(await messages({ titles: [title({ name: 'Ilse Marrow', role: '' })], ...german })).toEqual([]);
    expect(await messages({ titles: [role], plan: { language: 'en-GB' } })).not.toContain(
      'spelling not looked at',
    );
    // Of a script that the dictionary is not in, whatever the project's language.
    const arabic = title({ name: 'نور الهلالي', role: 'مرشدة المد والجزر' });
    expect(await messages({ titles: [arabic] })).toEqual(['spelling not looked at']);
    expect(await messages({ titles: [title({ name: 'نور الهلالي', role: 'Lockkeeper' })] })).toEqual([]);
  });
});

describe('contrast says what it compared', () => {
  const on = (fill: string, panel: string | null, fillOpacity = 1): Template => {
    const plain = testText('name', 'Sample', { place: place({ target: { kind: 'titleSafe' } }) });
    const text = { ...plain, style: { ...plain.style, fill } };
    const box = { ...newBoxLayer('panel', 'panel', ['name']), fill: panel ?? '#000000', fillOpacity };
    return testTemplate(panel === null ? [text] : [text, box]);
  };
  const contrast = async (template: Template, clips = CLIPS): Promise<Finding[]> =>
    of(await prove({ titles: [title({})], template, clips }), 'contrast');

  test('with its own panel, the picture, or both', async () => {
    const [own] = await contrast(on('#404040', '#505050'));
    expect(own.detail).toMatch(/has 1\.\d : 1 against its own panel; 3 : 1 is needed/);
    expect(own.measurement).toBeUndefined();
    const [picture] = await contrast(on('#20262c', null));
    expect(picture.detail).toContain('against the picture at worst, at ');
    expect(picture.measurement?.needed).toBe(3);
    expect(Math.min(...(picture.measurement?.points ?? []).map(({ value }) => value))).toBeCloseTo(
      Number(picture.message.split(' ')[1]),
      1,
    );
    const [both] = await contrast(on('#20262c', '#404a50', 0.4));
    expect(both.detail).toContain('against the picture and what the title has over it');
  });

  test('without any pictures, a weak panel is still told, and a title without one has nothing to be compared with', async () => {
    expect(await contrast(on('#404040', '#505050'), [])).toHaveLength(1);
    expect(await contrast(on('#20262c', null), [])).toEqual([]);
    expect(await contrast(on('#ffffff', '#101010'), [])).toEqual([]);
  });
});
