import { expect, test } from '@jest/globals';
import { tidelineStrap } from '../../../../demo/templates';
import type { WallDesign, WallReply, WallRequest } from '@/workers/wallMessages';
import type { WallPort, WallWish } from './wallPainter';
import { WallPainter } from './wallPainter';

const TIMING = {
  inFrames: 1,
  holdFrames: 1,
  outFrames: 1,
  totalFrames: 3,
  inSeconds: 1,
  outStartSeconds: 2,
  outSeconds: 1,
  totalSeconds: 3,
  frameSeconds: 1,
};
const VALUES = {};
const wish = (formatId: string, seconds: number, template = tidelineStrap): WallWish => ({
  formatId,
  template,
  values: VALUES,
  widthPx: 200,
  seconds,
  timing: TIMING,
});

/** A port that answers when it is told to. */
function quietPort() {
  const sent: (WallDesign | WallRequest)[] = [];
  let listen: (event: { readonly data: WallReply }) => void = () => undefined;
  const port: WallPort = {
    postMessage: (one) => void sent.push(one),
    addEventListener: (_type, given) => void (listen = given),
  };
  return {
    port,
    sent,
    pictures: () => sent.filter((one) => one.kind === 'picture'),
    designs: () => sent.filter((one) => one.kind === 'design'),
    answer: (formatId: string) => listen({ data: { formatId, bitmap: null, trouble: [] } }),
  };
}

test('of the wishes that come while a picture is on its way only the newest is sent on', () => {
  const { port, pictures, answer } = quietPort();
  const painter = new WallPainter(port);
  const done: number[] = [];
  for (const seconds of [1, 2, 3, 4]) painter.ask(wish('wide', seconds), () => done.push(seconds));
  expect(pictures().map((one) => one.seconds)).toEqual([1]);
  answer('wide');
  expect(pictures().map((one) => one.seconds)).toEqual([1, 4]);
  answer('wide');
  expect(done).toEqual([1, 4]);
  painter.ask(wish('wide', 5), () => done.push(5));
  expect(pictures()).toHaveLength(3);
});

test('pictures of different formats do not wait for one another, and share a design that is sent once', () => {
  const { port, sent } = quietPort();
  const painter = new WallPainter(port);
  painter.ask(wish('wide', 1), () => undefined);
  painter.ask(wish('tall', 1), () => undefined);
  expect(sent.map((one) => one.kind)).toEqual(['design', 'picture', 'picture']);
  painter.ask(wish('square', 1, { ...tidelineStrap, name: 'Other' }), () => undefined);
  expect(sent.slice(3).map((one) => (one.kind === 'design' ? one.number : one.design))).toEqual([2, 2]);
});

test('of a changed design only the layers that are new go over', () => {
  const { port, designs } = quietPort();
  const painter = new WallPainter(port);
  painter.ask(wish('wide', 1), () => undefined);
  const [first, ...others] = tidelineStrap.layers;
  const renamed = { ...first, name: 'Other' };
  painter.ask(wish('tall', 1, { ...tidelineStrap, layers: [...others, renamed] }), () => undefined);
  const [whole, part] = designs();
  expect(whole.changed).toEqual(tidelineStrap.layers);
  expect(part.changed).toEqual([renamed]);
  expect(part.order).toEqual([...others, renamed].map((layer) => layer.id));
});

test('shown pictures follow a changed template at once, and the screen asking for the same adds nothing', () => {
  const { port, pictures, answer } = quietPort();
  const painter = new WallPainter(port);
  const done = (): void => undefined;
  for (const format of ['wide', 'tall']) painter.ask(wish(format, 1), done);
  for (const format of ['wide', 'tall']) answer(format);
  painter.leave('tall');
  const changed = { ...tidelineStrap, name: 'Other' };
  painter.follow(changed, VALUES);
  painter.ask(wish('wide', 1, changed), done);
  answer('wide');
  expect(pictures().map((one) => [one.formatId, one.design])).toEqual([
    ['wide', 1],
    ['tall', 1],
    ['wide', 2],
  ]);
});
