import { expect, test } from '@jest/globals';
import type { WallReply, WallRequest } from '@/workers/wallMessages';
import type { WallPort } from './wallPainter';
import { WallPainter } from './wallPainter';

const request = (key: string, layout: string): WallRequest => ({ key, layout }) as WallRequest;

/** A port that answers when it is told to. */
function quietPort() {
  const asked: WallRequest[] = [];
  let listen: (event: { readonly data: WallReply }) => void = () => undefined;
  const port: WallPort = {
    postMessage: (one) => void asked.push(one),
    addEventListener: (_type, given) => void (listen = given),
  };
  return { port, asked, answer: (key: string) => listen({ data: { key, bitmap: null, trouble: [] } }) };
}

test('of the requests that come while one is on its way only the newest is sent on', () => {
  const { port, asked, answer } = quietPort();
  const painter = new WallPainter(port);
  const done: string[] = [];
  for (const layout of ['1', '2', '3', '4']) painter.ask(request('wide', layout), () => done.push(layout));
  expect(asked.map((one) => one.layout)).toEqual(['1']);
  answer('wide');
  expect(asked.map((one) => one.layout)).toEqual(['1', '4']);
  answer('wide');
  expect(done).toEqual(['1', '4']);
  painter.ask(request('wide', '5'), () => done.push('5'));
  expect(asked).toHaveLength(3);
});

test('pictures of different formats do not wait for one another', () => {
  const { port, asked } = quietPort();
  const painter = new WallPainter(port);
  painter.ask(request('wide', '1'), () => undefined);
  painter.ask(request('tall', '1'), () => undefined);
  expect(asked.map((one) => one.key)).toEqual(['wide', 'tall']);
});
