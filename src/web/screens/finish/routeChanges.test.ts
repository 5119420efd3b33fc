import { describe, expect, it } from 'vitest';
import type { TrayRecord } from '../../../api/index.ts';
import { planBrightwork, type BrightPart, type ChromeRouteId } from '../../../core/finish/index.ts';
import { EMPTY_KIT, plainPart, type Kit } from '../../../core/kit/index.ts';
import { routeChanges } from './routeChanges.ts';

const part = (id: string): BrightPart => ({
  id,
  plated: true,
  lengthMm: 20,
  areaCm2: 2,
  curvature: 'gentle',
  seam: false,
  handled: false,
  visibility: 'seen',
  cleared: false,
});
const tray = (id: string, partIds: string[]): TrayRecord => ({
  id,
  buildId: 'b',
  name: id,
  position: 0,
  areaCm2: 4,
  substrateId: 'plated',
  parts: partIds.map((partId) => ({ id: partId, frame: 'A', number: '1', name: partId, count: 1 })),
  layers: [],
  codeId: null,
  version: 1,
});
const kit: Kit = {
  ...EMPTY_KIT,
  parts: ['bumper', 'mirror'].map((id) => ({
    ...plainPart(id),
    plated: true,
  })),
};
const planned = (pins: Record<string, ChromeRouteId>) =>
  planBrightwork([part('bumper'), part('mirror')], new Map(Object.entries(pins)), [], {
    owned: new Set(),
    days: null,
  });

describe('routes into stacks', () => {
  it('lays the layers of the one way that a sub-assembly goes', () => {
    const [change] = routeChanges(
      [tray('chrome', ['bumper', 'mirror'])],
      planned({ bumper: 'strip-paint', mirror: 'strip-paint' }),
      kit,
    );
    expect(change).toMatchObject({ kind: 'change' });
    expect(change!.kind === 'change' && change!.layers.map(({ kind }) => kind).join(' ')).toBe(
      'strip primer undercoat metal',
    );
  });

  it('leaves plating alone, and names what stands against one way', () => {
    const plan = planned({ bumper: 'keep-plating', mirror: 'foil' });
    const [bumper, both, dull, none] = routeChanges(
      [
        tray('bumper only', ['bumper']),
        tray('both', ['bumper', 'mirror']),
        tray('dull', ['mirror', 'bracket']),
        tray('body', ['shell']),
      ],
      plan,
      kit,
    );
    expect(bumper).toMatchObject({ kind: 'same' });
    expect(both).toMatchObject({ kind: 'mixed' });
    expect(both!.words).toMatch(/goes 2 ways/);
    expect(dull!.words).toMatch(/1 of its 2 parts are not bright/);
    expect(none).toBeUndefined();
  });
});
