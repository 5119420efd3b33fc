import { ALIKE_DE, EFFECT_FACTS, effectOver, type EffectAnswer } from '../cabin/index.ts';
import { ciede2000 } from '../colour/index.ts';
import { USUAL_LIFE } from '../finish/index.ts';
import { worked } from '../worked.ts';
import { colourSaid } from './colourSaid.ts';
import type { Effect, Kit } from './records/index.ts';

/** How a piece will look; undefined while its base coat is not known. Throws RangeError for a colour that is none. */
export function effectOf(
  effect: Effect,
  kit: Pick<Kit, 'weathering'>,
  scale: number,
): EffectAnswer | undefined {
  const base = colourSaid(effect.base, 'The base coat');
  const wanted = colourSaid(effect.wanted, 'The colour that is wanted');
  if (!base) return undefined;
  return effectOver({
    effect: effect.effect,
    base,
    wanted,
    passes: effect.passes ?? undefined,
    life: kit.weathering[0]?.life ?? USUAL_LIFE,
    scale,
  });
}

/** Two pieces of wood or hide that would read as one. */
export interface AlikeEffects {
  a: Effect;
  b: Effect;
  dE00: number;
}

/** Grown stuff is never quite alike: pieces of wood or leather, of different parts, whose shades nobody tells apart. */
export function alikeEffects(kit: Pick<Kit, 'effects' | 'weathering'>, scale: number): AlikeEffects[] {
  const grown = kit.effects.flatMap((effect) => {
    const { group } = EFFECT_FACTS[effect.effect];
    const { answer } = worked(() => effectOf(effect, kit, scale));
    return answer && (group === 'wood' || group === 'leather')
      ? [{ effect, group, shade: answer.shade }]
      : [];
  });
  return grown.flatMap((one, at) =>
    grown.slice(at + 1).flatMap((other): AlikeEffects[] => {
      const isSame = one.effect.partId !== null && one.effect.partId === other.effect.partId;
      if (one.group !== other.group || isSame) return [];
      const dE00 = ciede2000(one.shade, other.shade);
      return dE00 < ALIKE_DE ? [{ a: one.effect, b: other.effect, dE00 }] : [];
    }),
  );
}
