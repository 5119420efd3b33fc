import { EMPTY_KIT, type AssemblyChoice, type Kit } from './kit.ts';

const LISTS: Readonly<Record<string, keyof Kit>> = {
  part: 'parts',
  finish: 'finishes',
  joint: 'joints',
  choice: 'choices',
  work: 'works',
  evidence: 'evidence',
  box: 'box',
  fit: 'fits',
  stance: 'stances',
  want: 'wants',
  decal: 'decals',
  brightwork: 'brightwork',
  weathering: 'weathering',
  mishap: 'mishaps',
  'own-step': 'ownSteps',
  'step-edit': 'stepEdits',
  'cure-check': 'cureChecks',
  pin: 'pins',
  aim: 'aims',
  place: 'places',
  run: 'runs',
};

/** The stored records of a build as one kit, in their order; records of other kinds are left out. */
export function assembleKit(items: readonly { kind: string; id: string; value: unknown }[]): Kit {
  const kit: Record<string, unknown> = { ...EMPTY_KIT };
  for (const list of Object.values(LISTS)) kit[list] = [];
  for (const { kind, id, value } of items) {
    const list = LISTS[kind];
    if (list) (kit[list] as unknown[]).push({ ...(value as object), id });
    else if (kind === 'assembly') kit.school = (value as AssemblyChoice).school;
  }
  return kit as unknown as Kit;
}
