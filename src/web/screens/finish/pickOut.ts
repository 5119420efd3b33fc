import type { CodeRecord, PaintRecord, TrayRecord } from '../../../api/index.ts';
import { ciede2000, DAYLIGHT, spectrumToLab } from '../../../core/colour/index.ts';
import { opaqueInSheen, type Conditions } from '../../../core/finish/index.ts';
import {
  secondColours,
  type Kit,
  type PlannedLayer,
  type ProductIndex,
  type SecondColour,
} from '../../../core/kit/index.ts';
import { finishOf } from '../../data/buildContext.ts';

/** A colour that shares a piece with the main one and has no layers yet. */
export interface OpenPickOut extends SecondColour {
  name: string;
  kind: 'colour' | 'metal';
  code: CodeRecord | undefined;
}

/** Colours of a sub-assembly beside its main one for which its stack has no layer. */
export function openPickOuts(kit: Kit, tray: TrayRecord, codes: readonly CodeRecord[]): OpenPickOut[] {
  const ids = new Set(tray.parts.map(({ id }) => id));
  const laid = new Set(tray.layers.map(({ finishId }) => finishId));
  return secondColours(
    kit,
    kit.parts.filter(({ id }) => ids.has(id)),
  )
    .filter(({ finishId }) => !laid.has(finishId))
    .map((second) => {
      const { name, look, codeId } = kit.finishes.find(({ id }) => id === second.finishId)!;
      return {
        ...second,
        name,
        kind: look === 'metal' || look === 'chrome-ink' ? 'metal' : 'colour',
        code: codes.find(({ id }) => id === codeId),
      };
    });
}

export interface PickOutPaint {
  paint: PaintRecord;
  /** From the code of the finish, dE00; absent where it has none. */
  dE00?: number;
}

/** Paints for picking out: those on the shelf first, nearest to the code first. */
export function pickOutPaints({ kind, code }: OpenPickOut, paints: readonly PaintRecord[]): PickOutPaint[] {
  const wanted = code && spectrumToLab(code.spectrum, DAYLIGHT);
  return (
    paints
      // A can sprays; what is picked out is brushed.
      .filter(({ role, container }) => role === kind && container !== 'can')
      .map((paint) => {
        if (!wanted) return { paint };
        const lab = spectrumToLab(opaqueInSheen(paint, paint.sheen), DAYLIGHT);
        return { paint, dE00: ciede2000(wanted, lab) };
      })
      .sort(
        (p, q) =>
          Number(p.paint.levelMl === null) - Number(q.paint.levelMl === null) ||
          (p.dE00 ?? 0) - (q.dE00 ?? 0),
      )
  );
}

/** Most coats that are planned for a colour that hardly covers. */
const MOST_COATS = 4;

interface Bench {
  products: ProductIndex;
  codes: readonly CodeRecord[];
  conditions: Conditions;
}

/** The layers of a sub-assembly with a colour picked out by brush over what is there, beneath wax, in as many coats as
 *  close over it. Without a paint its choice is left open, and said. */
export function withPickOut(
  tray: TrayRecord,
  { finishId, kind, cm2, code }: OpenPickOut,
  paintId: string | null,
  scale: number,
  { products, codes, conditions }: Bench,
): PlannedLayer[] {
  const taken = new Set(tray.layers.map(({ id }) => id));
  let id = `pick-out-${finishId}`.slice(0, 60);
  for (let count = 2; taken.has(id); count++) id = `pick-out-${count}`;
  const wax = tray.layers.findIndex((layer) => layer.kind === 'wax');
  const at = wax < 0 ? tray.layers.length : wax;
  const layers = (coats: number): PlannedLayer[] => [
    ...tray.layers.slice(0, at),
    {
      id,
      kind,
      coats,
      tool: 'brush',
      finishId,
      share: Math.min(1, cm2 / tray.areaCm2),
      ...(paintId === null ? {} : { mix: { [paintId]: 1 } }),
      ...(code ? { codeId: code.id } : {}),
    },
    ...tray.layers.slice(at),
  ];
  const { evaluation } = finishOf({ ...tray, layers: layers(1) }, scale, products, codes, conditions);
  const closes = evaluation?.layers.find((layer) => layer.id === id)?.coatsToClose;
  return layers(Math.min(MOST_COATS, Math.max(1, closes ?? 2)));
}
