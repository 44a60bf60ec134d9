import type { Outline } from '@/core/display/outline';
import { replayOutline } from '@/core/display/outline';
import type { SurfaceMaker, SurfacePath } from './surface';

/** The paths of outlines, each made once. */
export class OutlinePaths {
  private readonly paths = new WeakMap<Outline, SurfacePath>();

  constructor(private readonly maker: Pick<SurfaceMaker, 'path'>) {}

  of(outline: Outline): SurfacePath {
    const known = this.paths.get(outline);
    if (known !== undefined) return known;
    const path = this.maker.path();
    replayOutline(outline, path);
    this.paths.set(outline, path);
    return path;
  }
}
