import { EMPTY_KIT, type Joint, type Kit, type KitFinish, type Look, type Part, type Zone } from './kit.ts';

/** A plain part for tests and first entries: one styrene piece on its frame. */
export function plainPart(id: string, change: Partial<Part> = {}): Part {
  const [, frame = 'A', number = id] = /^([A-Za-z]+)(\d.*)$/.exec(id) ?? [];
  return {
    id,
    frame,
    number,
    name: `Part ${id}`,
    count: 1,
    material: 'styrene',
    colour: 'white',
    plated: false,
    areaCm2: null,
    lengthMm: null,
    needs: [],
    state: 'on-frame',
    checked: false,
    fragile: false,
    zones: [],
    note: '',
    ...change,
  };
}

/** A plain cemented joint. */
export function plainJoint(id: string, a: string, b: string, change: Partial<Joint> = {}): Joint {
  return {
    id,
    a,
    b,
    kind: 'cement',
    seam: 'hidden',
    clearanceMm: null,
    captured: [],
    entry: 'any',
    motion: 'none',
    closes: [],
    edgeMm: null,
    pin: null,
    note: '',
    ...change,
  };
}

/** A finish named by its id. */
export const plainFinish = (id: string, look: Look): KitFinish => ({ id, name: id, look, codeId: null });

/** One finish all over a part. */
export const plainZones = (finishId: string): Zone[] => [
  { id: 'z', name: '', finishId, share: 1, boundary: 'masked', edgeMm: null },
];

export const kitWith = (change: Partial<Kit>): Kit => ({ ...EMPTY_KIT, ...change });
