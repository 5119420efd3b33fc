import { figure } from '../../figures.ts';
import { HARDLY_STEERED, steeringOf, unevenAxles, type Corner } from '../../kit/index.ts';
import { worked } from '../../worked.ts';
import type { KitAdvice } from '../advice/kitAdvice.ts';
import {
  byTray,
  few,
  joinsOf,
  traysOf,
  trayTask,
  type DividedKit,
  type PlanContribution,
  type TrayTask,
} from '../contribution.ts';

const MINUTES = { tread: 4, flatten: 3, letters: 8, ring: 3 };

const namesOf = (corners: readonly Corner[]): string =>
  few(corners.map(({ name }) => name.toLowerCase())).join(', ');

function trayTasks(build: DividedKit): TrayTask[] {
  const { corners } = build.kit;
  const tyres = (some: readonly Corner[]) => byTray(build, some, ({ tyrePartId }) => tyrePartId);
  const worn = corners.filter(
    ({ tread, letters, flatMm }) => tread !== 'as-moulded' || letters === 'sanded-off' || flatMm > 0,
  );
  return [
    ...tyres(worn).map(([trayId, some]) =>
      trayTask('true', trayId, {
        id: 'tread',
        title: 'Sand the tyres',
        minutes: some.reduce(
          (sum, { flatMm }) => sum + MINUTES.tread + (flatMm > 0 ? MINUTES.flatten : 0),
          0,
        ),
        because: 'Moulded tread shines and has a seam; a tyre that has run is dull and even.',
        details: some.map(wornWords),
      }),
    ),
    ...tyres(corners.filter(({ letters }) => letters === 'painted')).map(([trayId, some]) =>
      trayTask('pick-out', trayId, {
        id: 'letters',
        title: 'Paint the letters of the tyres',
        minutes: MINUTES.letters * some.length,
        because: 'Letters are wiped over once the tyre is dull, before it goes onto its rim.',
        details: [namesOf(some), 'little paint on a flat brush, drawn across; wipe the ground clean'],
      }),
    ),
    ...byTray(
      build,
      corners.filter(({ rim }) => rim === 'ringed'),
      ({ rimPartId }) => rimPartId,
    ).map(([trayId, some]) =>
      trayTask('pick-out', trayId, {
        id: 'ring',
        title: 'Ring the rims',
        minutes: MINUTES.ring * some.length,
        because: 'The bright edge goes on last: paint and clear would dull it.',
        details: [namesOf(some), 'bright marker held still, the rim turned on a stick'],
      }),
    ),
  ];
}

function wornWords({ name, tread, letters, flatMm }: Corner): string {
  const words = [
    tread === 'sanded' ? 'tread dulled and its seam off' : tread === 'flattened' ? 'tread sanded flat' : '',
    letters === 'sanded-off' ? 'letters off' : '',
    flatMm > 0 ? `${figure(flatMm, 'mm')} off its foot, where it stands` : '',
  ];
  return `${name.toLowerCase()}: ${words.filter((word) => word !== '').join(', ')}`;
}

/** What is said where the wheel is put on. */
function sayAtCorner(build: DividedKit, corner: Corner): KitAdvice[] {
  const parts = [corner.rimPartId, corner.tyrePartId, corner.backPartId, corner.capPartId].flatMap((id) =>
    id !== null && build.version.used.has(id) ? [id] : [],
  );
  const trays = traysOf(build, parts);
  if (trays.length === 0) return [];
  const told = [
    ...(corner.spins ? ['it spins: no glue on its axle, and it is turned before the cap goes on'] : []),
    ...(corner.flawHour === null
      ? []
      : [`out of round at ${corner.flawHour} o’clock: turn that to the ground, or behind the wing`]),
    ...(corner.letters === 'inward' ? ['letters to the inside'] : []),
    ...(corner.note === '' ? [] : [corner.note]),
  ];
  const at = { trays, joins: joinsOf(build, parts), kinds: ['assemble', 'join'] as const, once: false };
  const base = { about: { trays, parts }, stage: 'detail' as const, page: 'corners' };
  const { answer: room, fault } = worked(() => steeringOf(corner));
  return [
    ...(told.length === 0
      ? []
      : [
          {
            ...base,
            rule: 'wheel-at-corner',
            subject: corner.id,
            severity: 'note' as const,
            topic: 'note' as const,
            text: `${corner.name}: ${told.join('; ')}`,
            why: 'What is glued here is not turned again.',
            source: 'what you noted',
            at,
          },
        ]),
    ...(fault === undefined && (room === undefined || room.touches === null || room.degrees >= HARDLY_STEERED)
      ? []
      : [
          {
            ...base,
            rule: 'steering-touches',
            subject: corner.id,
            severity: 'warn' as const,
            text: `${corner.name} hardly steers`,
            why:
              fault ??
              `It turns ${room!.degrees.toFixed(0)}° before its tyre touches ${room!.touches === 'outside' ? 'the wing' : 'the frame'}.`,
            remedy:
              'Try it before paint: a narrower tyre, a pivot further in, or wheels that stand straight.',
            at: { ...at, kinds: ['dry-fit', 'join', 'assemble'] as const, once: true },
          },
        ]),
  ];
}

/** A rim that is to lose its plating, and nothing in its stack that takes it off. */
function sayPlated(build: DividedKit, { id, name, rim, rimPartId }: Corner): KitAdvice[] {
  const part = rimPartId === null ? undefined : build.parts.get(rimPartId);
  const tray = build.trays.find(({ partIds }) => partIds.includes(rimPartId ?? ''));
  // Without a stack nothing is known of what is done to it.
  if (rim !== 'stripped' || !part?.plated || !tray?.layers) return [];
  if (tray.layers.some(({ kind }) => kind === 'strip')) return [];
  return [
    {
      rule: 'rim-still-plated',
      subject: id,
      severity: 'warn',
      about: { trays: [tray.id], parts: [part.id] },
      text: `The plating stays on: ${part.name.toLowerCase()} of ${name.toLowerCase()}`,
      why: 'It is to be stripped, and no layer of its stack does so: paint over plating peels.',
      remedy: 'Put stripping under its first layer, or leave the rim plated.',
      stage: 'finish',
      page: tray.id,
      at: { trays: [tray.id], joins: [], kinds: ['clean', 'rinse', 'primer', 'colour', 'metal'], once: true },
    },
  ];
}

/** Sides of an axle at two heights, before the stance is shimmed. */
const sayUneven = (build: DividedKit): KitAdvice[] =>
  unevenAxles(build.kit.corners).flatMap(({ lower, higher, byMm }): KitAdvice[] => {
    const parts = [lower, higher].flatMap(({ rimPartId, tyrePartId }) =>
      [rimPartId, tyrePartId].flatMap((id) => id ?? []),
    );
    const trays = traysOf(build, parts);
    if (trays.length === 0) return [];
    return [
      {
        rule: 'wheels-uneven',
        subject: [lower.id, higher.id].sort().join(' '),
        severity: 'warn',
        about: { trays, parts },
        text: `${lower.name} stands ${figure(byMm, 'mm')} lower than ${higher.name.toLowerCase()}`,
        why: 'The tyres differ; a shim under the spring would tilt the body to hide it.',
        remedy: `Take ${figure(byMm, 'mm')} off the foot of the higher one, or change tyres between axles.`,
        stage: 'detail',
        page: 'corners',
        at: { trays, joins: joinsOf(build, parts), kinds: ['true', 'assemble'], once: true },
      },
    ];
  });

/** Wheels by their corners: tread, letters and rims, what spins, what is turned where, how far it steers. */
export const corners: PlanContribution = {
  id: 'corners',
  trayTasks,
  kitAdvice: (build) => [
    ...build.kit.corners.flatMap((corner) => [...sayAtCorner(build, corner), ...sayPlated(build, corner)]),
    ...sayUneven(build),
  ],
  stillOpen: ({ kit }) =>
    kit.corners.filter(({ rimPartId, tyrePartId }) => rimPartId === null && tyrePartId === null).length,
};
