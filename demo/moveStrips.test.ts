import { beforeAll, expect, test } from '@jest/globals';
import { MOVES } from '@/core/moves';
import type { FontLibrary } from '@/core/text/fontLibrary';
import { serverFonts } from '@/server/fontFiles';
import { differsFromGolden } from './golden';
import { moveStrip } from './moveStrips';

let fonts: FontLibrary;
beforeAll(async () => {
  fonts = await serverFonts();
});

const SHARES = [0, 0.25, 0.5, 0.75, 1];
const WIDTH_PX = 160;

test.each(MOVES.list.map((move) => [move.id, move] as const))(
  '%s still looks like its strip, which was looked at',
  async (id, move) => {
    const strip = moveStrip(move, SHARES, fonts, WIDTH_PX);
    expect(await differsFromGolden(strip, `move-${id}`)).toBeLessThan(0.0005);
  },
);
