import {
  EMPTY_KIT,
  jointRecord,
  newRecord,
  partRecord,
  type Joint,
  type Kit,
  type KitFinish,
  type Look,
  type Part,
  type Zone,
} from './kit.ts';

/** A plain part for tests and first entries: one styrene piece on its frame. */
export function plainPart(id: string, change: Partial<Part> = {}): Part {
  const [, frame = 'A', number = id] = /^([A-Za-z]+)(\d.*)$/.exec(id) ?? [];
  return { ...newRecord(partRecord), id, frame, number, name: `Part ${id}`, colour: 'white', ...change };
}

/** A plain cemented joint. */
export const plainJoint = (id: string, a: string, b: string, change: Partial<Joint> = {}): Joint => ({
  ...newRecord(jointRecord),
  id,
  a,
  b,
  ...change,
});

/** A finish named by its id. */
export const plainFinish = (id: string, look: Look): KitFinish => ({ id, name: id, look, codeId: null });

/** One finish all over a part. */
export const plainZones = (finishId: string): Zone[] => [
  { id: 'z', name: '', finishId, share: 1, boundary: 'masked', edgeMm: null },
];

export const kitWith = (change: Partial<Kit>): Kit => ({ ...EMPTY_KIT, ...change });
