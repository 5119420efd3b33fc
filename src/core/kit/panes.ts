import { orderOfFitting, type FittingOrder, type FittingRule } from '../cabin/index.ts';
import { jointName, precedencesOf } from './hardConstraints.ts';
import { partLabel } from './kit.ts';
import type { Kit, Pane } from './records/index.ts';
import { resolveVersion } from './version.ts';

/** Something in the order of fitting: a part, or a joint that shuts a pane in. */
export interface Fitted {
  id: string;
  name: string;
  /** It is a pane of glass. */
  pane?: Pane;
}

export interface PaneOrder {
  items: Fitted[];
  answer: FittingOrder;
  /** Panes that are each said to come first, where that is more than one. */
  firsts: Pane[];
}

/** Joints that shut a pane in, or close off the joint that it sits in by. */
function closing({ joints }: Kit, { partId }: Pane): Kit['joints'] {
  if (partId === null) return [];
  const isOwn = ({ a, b }: Kit['joints'][number]) => a === partId || b === partId;
  const later = precedencesOf(joints).flatMap(({ first, then }) =>
    isOwn(joints[first]!) && !isOwn(joints[then]!) ? [joints[then]!] : [],
  );
  return [...new Set([...joints.filter(({ captured }) => captured.includes(partId)), ...later])];
}

const jointKey = (id: string) => `joint ${id}`;

/** Panes of parts that the version uses, and those of which no part is said. */
export function usedPanes(kit: Kit): Pane[] {
  const { used } = resolveVersion(kit);
  return kit.panes.filter(({ partId }) => partId === null || used.has(partId));
}

/** An order in which panes, what lies behind them and what covers them can be fitted, from what is said of the panes and from the
 *  joints that shut them in; or the rules that cannot all be kept. Panes of which no part is said stand by themselves. */
export function paneOrder(kit: Kit): PaneOrder {
  const panes = usedPanes(kit);
  const { used } = resolveVersion(kit);
  const parts = new Map(kit.parts.map((part) => [part.id, part]));
  const name = (id: string) => parts.get(id)?.name ?? 'a part that is gone';
  const keyOf = (pane: Pane) => pane.partId ?? `pane ${pane.id}`;
  const items = new Map<string, Fitted>();
  const rules: FittingRule[] = [];
  const addPart = (id: string) => {
    const part = parts.get(id);
    if (part && !items.has(id)) items.set(id, { id, name: `${partLabel(part)} ${part.name}` });
  };
  for (const pane of panes) items.set(keyOf(pane), { id: keyOf(pane), name: pane.name, pane });
  for (const pane of panes) {
    const key = keyOf(pane);
    for (const id of pane.behind.filter((each) => used.has(each))) {
      addPart(id);
      rules.push({ first: id, then: key, because: `${pane.name} shuts in ${name(id).toLowerCase()}` });
    }
    for (const id of pane.coveredBy.filter((each) => used.has(each))) {
      addPart(id);
      rules.push({
        first: key,
        then: id,
        because: `${pane.name} is covered by ${name(id).toLowerCase()}`,
      });
    }
    for (const joint of closing(kit, pane)) {
      const id = jointKey(joint.id);
      if (!items.has(id)) items.set(id, { id, name: jointName(joint, parts) });
      rules.push({
        first: key,
        then: id,
        because: `${pane.name} is shut in by ${jointName(joint, parts)}`,
      });
    }
  }
  const firsts = panes.filter(({ first }) => first);
  return {
    items: [...items.values()],
    answer: orderOfFitting({ items: [...items.keys()], rules, early: new Set(firsts.map(keyOf)) }),
    firsts: firsts.length > 1 ? firsts : [],
  };
}
