import { cureFactor } from './air.ts';
import { FAMILIES } from './families.ts';
import { isPainted, type Conditions, type StackLayer } from './stack.ts';

/** How long to leave a layer before the next thing happens to it, in minutes from its last coat. */
export interface Wait {
  from: number;
  /** Latest moment, where a window closes; null where waiting longer does no harm. */
  until: number | null;
  because: string;
}

/** Minutes for the hands-off part of layers that are not painted. */
const DECAL_DRY = 12 * 60;
const RINSE_DRY = 2 * 60;
const DRIP_DRY = 24 * 60;

/** The wait between two coats of the same layer. A first window that closes gives `until`. */
export function waitBetweenCoats(layer: StackLayer, conditions: Conditions): Wait {
  if (!isPainted(layer)) return { from: 0, until: null, because: 'nothing to dry' };
  const family = FAMILIES[layer.product.family];
  const factor = cureFactor(family.id, conditions);
  return {
    from: Math.ceil(family.recoatFrom * factor),
    until: family.recoatUntil === null ? null : Math.floor(family.recoatUntil * factor),
    because: `${family.name} takes the next coat after ${family.recoatFrom} min at 20 C`,
  };
}

/** The wait between a layer and the layer on top of it. Where the family's first window has closed by the
 *  time anyone could recoat, the second one counts; a wait for full cure has no end. */
export function waitBefore(next: StackLayer, below: StackLayer, conditions: Conditions): Wait {
  if (below.kind === 'decal') {
    return {
      from: Math.ceil(DECAL_DRY * cureFactor('water-acrylic', conditions)),
      until: null,
      because: 'decals and setting fluid must be dry right through: overnight',
    };
  }
  if (below.kind === 'strip')
    return { from: DRIP_DRY, until: null, because: 'stripped parts must be dry in every hole' };
  if (below.kind === 'rinse') return { from: RINSE_DRY, until: null, because: 'washed parts must be dry' };
  if (!isPainted(below)) return { from: 0, until: null, because: 'follows at once' };
  const family = FAMILIES[below.product.family];
  const factor = cureFactor(family.id, conditions);
  const after = (minutes: number, because: string): Wait => ({
    from: Math.ceil(minutes * factor),
    until: null,
    because,
  });

  switch (next.kind) {
    case 'flat':
    case 'polish':
      return below.kind === 'primer'
        ? after(family.fullCure, `${family.name} primer sands cleanly once cured`)
        : after(family.polishAfter, `${family.name} is polished only when hard: solvent leaves slowly`);
    case 'mask':
      return after(family.fullCure, `${family.name} is soft under tape until cured`);
    case 'unmask':
      return after(family.touchDry, `${family.name} is dry to the touch and still tears cleanly`);
    case 'key':
    case 'rinse':
      // What follows these sees only them: the paint beneath must have cured before.
      return after(family.fullCure, `${family.name} clogs the paper and lifts while it is soft`);
    case 'decal':
      return after(family.handle * 4, `${family.name} must be dry enough to wet and touch`);
    default:
  }
  if (!isPainted(next)) return after(family.handle, `${family.name} can be handled`);
  const over = FAMILIES[next.product.family];
  if (next.kind === 'wash') return after(family.fullCure, `a wash bites ${family.name} that is not cured`);
  if (over.bite >= 2 && (family.id === 'enamel' || family.id === 'aerosol')) {
    return after(family.fullCure, `${over.name} wrinkles ${family.name} that is not fully cured`);
  }
  if (over.id === 'urethane-2k') {
    return after(
      Math.max(family.fullCure, family.handle),
      `two-part clear locks in solvent: let ${family.name} cure first`,
    );
  }
  if (below.kind === 'undercoat' && next.kind === 'metal') {
    return after(family.fullCure, 'bright metal shows every softness of the black under it');
  }
  if (over.id !== family.id || below.kind === 'primer') {
    const minutes = family.recoatAgain ?? Math.max(family.handle, family.recoatFrom);
    return after(minutes, `${family.name} is ready for ${over.name}`);
  }
  return {
    from: Math.ceil(family.recoatFrom * factor),
    until: family.recoatUntil === null ? null : Math.floor(family.recoatUntil * factor),
    because: `${family.name} over itself, within its window`,
  };
}

/** Minutes after the last coat until it is hard right through: nothing marks it, and vinyl may lie on it. */
export function waitToCure(layer: StackLayer, conditions: Conditions): Wait {
  if (!isPainted(layer)) return waitToHandle(layer, conditions);
  const family = FAMILIES[layer.product.family];
  return {
    from: Math.ceil(family.fullCure * cureFactor(family.id, conditions)),
    until: null,
    because: `${family.name} is hard right through after ${formatMinutes(family.fullCure)} at 20 C`,
  };
}

/** Minutes after the last coat until the part can be picked up and joined. */
export function waitToHandle(layer: StackLayer, conditions: Conditions): Wait {
  if (layer.kind === 'decal') {
    return {
      from: Math.ceil(DECAL_DRY * cureFactor('water-acrylic', conditions)),
      until: null,
      because: 'decals dry overnight',
    };
  }
  if (!isPainted(layer)) return { from: 0, until: null, because: 'nothing to dry' };
  const family = FAMILIES[layer.product.family];
  return {
    from: Math.ceil(family.handle * cureFactor(family.id, conditions)),
    until: null,
    because: `${family.name} can be handled after ${formatMinutes(family.handle)} at 20 C`,
  };
}

/** Minutes as a builder reads them: 25 min, 2 h, 3.5 h, 5 days. */
export function formatMinutes(minutes: number): string {
  if (minutes < 90) return `${Math.round(minutes)} min`;
  if (minutes < 48 * 60) return `${trim(minutes / 60)} h`;
  return `${trim(minutes / 1440)} days`;
}

function trim(value: number): string {
  return (Math.round(value * 10) / 10).toString();
}
