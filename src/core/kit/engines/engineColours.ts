import { isSure, rolesOf } from '../roles/suggestRoles.ts';
import type { FinishSuggestion } from '../roles/suggestFinishes.ts';
import type { Kit, KitFinish, Look, Part } from '../records/index.ts';
import { resolveVersion } from '../version.ts';
import { areAlike, shadeOf, SHADES, USUAL_SHADES, type EngineShade } from './engineShades.ts';

/** All parts of an engine that are one thing, such as two halves of its block. */
export interface EngineColour {
  thing: string;
  parts: Part[];
  /** Finishes that they have already. */
  now: string[];
  /** Undefined where all of them have one. */
  suggested?: { name: string; look: Look; how: string; isUsual: boolean };
}

export interface EngineColours {
  colours: EngineColour[];
  /** Metal things that touch and will read as one, by the name of a part of each, with the finish of both. */
  alike: { one: string; other: string; finish: string }[];
  /** Their parts without a finish, grouped by what they would get. */
  suggestions: FinishSuggestion[];
}

interface Thing extends EngineColour {
  fixed?: EngineShade;
  choices: readonly EngineShade[];
}

/** A pair that reads as one costs more than any choice that is less usual. */
const ALIKE_COSTS = 3;
/** Orders that are tried at most; an engine has two dozen things and needs a few hundred. */
const MOST_TRIES = 200_000;

/** Choices of least cost: how far down its list each is, and what of it reads as one with a neighbour. Depth first with the
 *  cost of what is open left out, so that nothing better is cut off. */
function choose(
  things: readonly Thing[],
  touches: ReadonlyMap<Thing, ReadonlySet<Thing>>,
): Map<Thing, EngineShade> {
  const picked = new Map<Thing, EngineShade>();
  for (const thing of things) if (thing.fixed) picked.set(thing, thing.fixed);
  const open = things
    .filter(({ fixed, choices }) => !fixed && choices.length > 0)
    .sort((p, q) => touches.get(q)!.size - touches.get(p)!.size);
  let best = { cost: Infinity, picked: new Map(picked) };
  let tries = 0;
  const go = (at: number, cost: number): void => {
    if (cost >= best.cost || tries++ > MOST_TRIES) return;
    const thing = open[at];
    if (!thing) {
      best = { cost, picked: new Map(picked) };
      return;
    }
    for (const [rank, choice] of thing.choices.entries()) {
      const clashes = [...touches.get(thing)!].filter((other) => areAlike(choice, picked.get(other))).length;
      picked.set(thing, choice);
      go(at + 1, cost + rank + ALIKE_COSTS * clashes);
      picked.delete(thing);
    }
  };
  go(0, 0);
  return best.picked;
}

/** Colours for an engine, thing by thing, so that what touches does not read as one: a metal, black or the maker's colour for
 *  each part that has no finish yet, beside those that have. */
export function suggestEngineColours(kit: Kit): EngineColours {
  const { used } = resolveVersion(kit);
  const finishes = new Map(kit.finishes.map((finish) => [finish.id, finish]));
  const byThing = new Map<string, Part[]>();
  const roles = new Map(rolesOf(kit).map((role) => [role.partId, role]));
  for (const part of kit.parts) {
    const role = roles.get(part.id)!;
    if (!used.has(part.id) || role.thing === null || !isSure(role) || !(role.thing in USUAL_SHADES)) continue;
    byThing.set(role.thing, [...(byThing.get(role.thing) ?? []), part]);
  }
  const things = [...byThing].map(([thing, parts]) => thingOf(thing, parts, finishes));
  const touches = neighbours(things, kit.joints);
  const picked = choose(things, touches);
  const colours = things.map(({ thing, parts, now, fixed, choices }): EngineColour => {
    const shade = picked.get(things.find((each) => each.thing === thing)!);
    return {
      thing,
      parts,
      now,
      ...(shade && !fixed
        ? { suggested: { name: shade.name, look: shade.look, how: shade.how, isUsual: shade === choices[0] } }
        : {}),
    };
  });
  return {
    colours,
    alike: alikeOf(things, touches, picked),
    suggestions: suggestionsOf(things, picked, kit),
  };
}

function thingOf(thing: string, parts: Part[], finishes: ReadonlyMap<string, KitFinish>): Thing {
  const has = parts.flatMap(({ zones }) => finishes.get(zones[0]?.finishId ?? '') ?? []);
  const plated = parts.find((part) => part.plated && part.zones.length === 0);
  const fixed = shadeOf(has[0]) ?? (plated ? SHADES.get('chrome') : undefined);
  return {
    thing,
    parts,
    now: [...new Set(has.map(({ name }) => name)), ...(plated ? ['plated'] : [])],
    fixed,
    choices: USUAL_SHADES[thing]!.map((id) => SHADES.get(id)!),
  };
}

function neighbours(things: readonly Thing[], joints: Kit['joints']): Map<Thing, Set<Thing>> {
  const of = new Map(things.flatMap((thing) => thing.parts.map(({ id }) => [id, thing] as const)));
  const touches = new Map(things.map((thing) => [thing, new Set<Thing>()]));
  for (const { a, b } of joints) {
    const [one, other] = [of.get(a), of.get(b)];
    if (!one || !other || one === other) continue;
    touches.get(one)!.add(other);
    touches.get(other)!.add(one);
  }
  return touches;
}

function alikeOf(
  things: readonly Thing[],
  touches: ReadonlyMap<Thing, ReadonlySet<Thing>>,
  picked: ReadonlyMap<Thing, EngineShade>,
): EngineColours['alike'] {
  return things.flatMap((one, at) =>
    things.slice(at + 1).flatMap((other) => {
      const [shade, second] = [picked.get(one), picked.get(other)];
      // Two under one paint are meant to be: it is metals that are to differ.
      const isMetal = shade?.look === 'metal' && second?.look === 'metal';
      if (!isMetal || !touches.get(one)!.has(other) || !areAlike(shade, second)) return [];
      const finish = shade.id === second.id ? shade.name : `${shade.name} and ${second.name}`;
      return [{ one: one.parts[0]!.name, other: other.parts[0]!.name, finish }];
    }),
  );
}

/** Parts without a finish by what they would get: a finish of the kit of that name where there is one. */
function suggestionsOf(
  things: readonly Thing[],
  picked: ReadonlyMap<Thing, EngineShade>,
  { finishes }: Pick<Kit, 'finishes'>,
): FinishSuggestion[] {
  const byShade = new Map<EngineShade, FinishSuggestion>();
  for (const thing of things) {
    const shade = picked.get(thing);
    const open = thing.parts.filter(({ zones, plated }) => zones.length === 0 && !plated);
    if (!shade || open.length === 0) continue;
    const there = finishes.find(
      ({ id, name }) => `finish ${id}` === shade.id || name.toLowerCase() === shade.name.toLowerCase(),
    );
    const group = byShade.get(shade) ?? {
      id: shade.id,
      name: there?.name ?? shade.name,
      look: there?.look ?? shade.look,
      finishId: there?.id ?? null,
      partIds: [],
      because: shade.how,
    };
    group.partIds.push(...open.map(({ id }) => id));
    byShade.set(shade, group);
  }
  return [...byShade.values()];
}
