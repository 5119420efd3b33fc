import { EFFECT_FACTS, FINEST_MM } from '../../cabin/index.ts';
import { figure } from '../../figures.ts';
import { TINTS, type TintId } from '../../finish/index.ts';
import { alikeEffects, effectOf, lampOf, type Effect, type Kit, type Lamp } from '../../kit/index.ts';
import { worked } from '../../worked.ts';
import { COATS, type KitAdvice } from '../advice/kitAdvice.ts';
import {
  few,
  traysOf,
  type DividedKit,
  type Need,
  type NeedsContext,
  type PlanContribution,
} from '../contribution.ts';
import type { Made } from './made.ts';

/** Minutes at the bench; working values. */
const MINUTES = { pass: 3, reflector: 2, pane: 2, bezel: 3 };

const passWords = (passes: number, tint: string) =>
  `${passes} dusted ${passes === 1 ? 'pass' : 'passes'} of ${tint}, each dry before the next`;

/** How a piece gets the look of leather, cloth or wood. Throws RangeError for a colour that is none. */
export function effectMade(effect: Effect, kit: Kit, scale: number): Made {
  const { name, sheen, tint, how, minutes, pattern, patternMm } = EFFECT_FACTS[effect.effect];
  const answer = effectOf(effect, kit, scale);
  const passes = answer?.passes ?? effect.passes ?? tint?.passes ?? 0;
  const tintName = TINTS.find(({ id }) => id === tint?.id)?.name;
  const isTooFine = patternMm / scale < FINEST_MM;
  return {
    title: `${effect.name}: ${name}`,
    minutes: minutes + MINUTES.pass * passes,
    because: 'Seams, grain and sheen are what tells one material from another at this size.',
    details: [
      ...how,
      ...(tintName && passes > 0 ? [passWords(passes, tintName)] : []),
      `last film ${sheen}`,
      ...(answer?.dE00 === undefined || answer.dE00 < 2
        ? []
        : [`it comes out ${figure(answer.dE00, 'dE')} from what is wanted: change the base coat`]),
      ...(isTooFine
        ? [`${pattern} would be ${figure(patternMm / scale, 'mm')} apart: leave it at colour and sheen`]
        : []),
      ...(effect.note === '' ? [] : [effect.note]),
    ],
  };
}

const BEHIND = {
  plating: 'its plating stays as reflector',
  foil: 'foil burnished into its bowl',
  'chrome-ink': 'chrome ink in its bowl, untouched for a day',
  silver: 'silver in its bowl',
  none: 'nothing behind it: its colour is all there is',
} as const;
const GLASS = {
  part: 'the glass goes in last, with clear glue at its rim',
  drop: 'a drop of clear for its glass, left level overnight',
  painted: 'the colour is its glass: gloss clear over it',
} as const;

/** How a lamp is made. Throws RangeError for a colour that is none. */
export function lampMade(lamp: Lamp): Made {
  const { reflector, glass, bezel, count, name, note } = lamp;
  const { tint } = lampOf(lamp);
  const passes = tint?.passes ?? 0;
  return {
    title: `Finish ${count > 1 ? `${count} × ` : ''}${name.toLowerCase()}`,
    minutes: count * (MINUTES.reflector + MINUTES.pane + (bezel ? MINUTES.bezel : 0)) + MINUTES.pass * passes,
    because: 'A lamp is bright from behind: reflector first, colour over it, ring last.',
    details: [
      BEHIND[reflector],
      ...(tint && passes > 0
        ? [
            `${passWords(passes, tint.name)} ${glass === 'part' ? ', on the back of the glass' : ''} (ΔE ${tint.dE00.toFixed(1)} from what is wanted)`,
          ]
        : []),
      GLASS[glass],
      ...(bezel ? ['its ring last, with a bright marker, the lamp turned on a stick'] : []),
      ...(note === '' ? [] : [note]),
    ],
  };
}

/** Pieces of grown stuff that read as one. */
const alike = (build: DividedKit): KitAdvice[] =>
  alikeEffects(build.kit, build.scale).flatMap(({ a, b, dE00 }): KitAdvice[] => {
    const parts = [a.partId, b.partId].flatMap((id) =>
      id !== null && build.version.used.has(id) ? [id] : [],
    );
    const trays = traysOf(build, parts);
    if (parts.length < 2) return [];
    return [
      {
        rule: 'grown-alike',
        subject: [a.id, b.id].sort().join(' '),
        severity: 'note',
        topic: 'note',
        about: { trays, parts },
        text: `As if from one piece: ${a.name.toLowerCase()} and ${b.name.toLowerCase()}`,
        why: `They come out ${figure(dE00, 'dE')} apart; wood and hide are never quite alike.`,
        remedy: 'Give one a pass more or less, or another base coat; draw its grain otherwise.',
        stage: 'detail',
        page: 'effects',
        at: { trays, joins: [], kinds: [...COATS, 'detail'], once: true },
      },
    ];
  });

/** Transparent colours that pieces and lamps take, by their tint, and what they are for. */
function tintsFor(kit: Kit, scale: number): Map<TintId, string[]> {
  const found = new Map<TintId, string[]>();
  const add = (tint: TintId | undefined, passes: number, name: string) => {
    if (tint !== undefined && passes > 0) found.set(tint, [...(found.get(tint) ?? []), name.toLowerCase()]);
  };
  for (const effect of kit.effects) {
    const { tint } = EFFECT_FACTS[effect.effect];
    const { answer } = worked(() => effectOf(effect, kit, scale));
    add(tint?.id, answer?.passes ?? effect.passes ?? tint?.passes ?? 0, effect.name);
  }
  for (const lamp of kit.lamps) {
    const { answer } = worked(() => lampOf(lamp));
    add(answer?.tint?.tint, answer?.tint?.passes ?? 0, lamp.name);
  }
  return found;
}

function needs({ kit, version: { used }, scale, material }: NeedsContext): Need[] {
  const isUsed = ({ partId }: { partId: string | null }) => partId === null || used.has(partId);
  const own = { ...kit, effects: kit.effects.filter(isUsed), lamps: kit.lamps.filter(isUsed) };
  const foiled = own.lamps.filter(({ reflector }) => reflector === 'foil');
  const dropped = own.lamps.filter(({ glass }) => glass === 'drop');
  const named = (lamps: readonly Lamp[]) => few(lamps.map(({ name }) => name.toLowerCase())).join(', ');
  return [
    ...[...tintsFor(own, scale)].map(([tint, names]) =>
      material(`tint-${tint}`, TINTS.find(({ id }) => id === tint)!.name, few(names).join(', '), {
        substitute: 'gloss clear with a drop of transparent ink',
        looks: 'it takes more passes, and fades',
      }),
    ),
    ...(foiled.length > 0
      ? [
          material('bare-metal-foil', 'adhesive metal foil', named(foiled), {
            substitute: 'silver paint',
            looks: 'the lamp is half as bright',
          }),
        ]
      : []),
    ...(dropped.length > 0 ? [material('drop-clear', 'clear that sets as a drop', named(dropped))] : []),
  ];
}

/** Leather, cloth, wood and lamps. */
export const effects: PlanContribution = { id: 'effects', kitAdvice: alike, needs };
