import type { BrightPart } from '../../../core/finish/index.ts';
import { areaOf, mainFinish, partLabel, type Kit, type Look, type Part } from '../../../core/kit/index.ts';

const BRIGHT: ReadonlySet<Look> = new Set(['chrome-ink', 'plating']);
const USUAL_LENGTH_MM = 20;
/** A part with so many joints is taken in hand again after it is bright. */
const HANDLED_JOINTS = 2;

export interface NamedBrightPart extends BrightPart {
  label: string;
  name: string;
}

/** The parts of a kit that are meant to be bright: those whose main finish is plating or chrome,
 *  and plated ones that stay metal or have no finish yet; cast and other dull metal is none. What nobody
 *  wrote down is taken as usual: visible unless shut in, handled where it has several joints, a seam where a joint
 *  must vanish. */
export function brightParts(kit: Kit): NamedBrightPart[] {
  const finishes = new Map(kit.finishes.map((finish) => [finish.id, finish]));
  const captured = new Set(kit.joints.flatMap((joint) => joint.captured));
  const curvature = new Map(kit.brightwork.map((bright) => [bright.partId, bright.curvature]));
  const meant = (part: Part) => {
    const look = mainFinish(part, finishes)?.look;
    return look === undefined ? part.plated : BRIGHT.has(look) || (part.plated && look === 'metal');
  };
  return kit.parts.filter(meant).map((part) => {
    const joints = kit.joints.filter(({ a, b }) => a === part.id || b === part.id);
    return {
      id: part.id,
      label: partLabel(part),
      name: part.name,
      plated: part.plated,
      lengthMm: part.lengthMm ?? USUAL_LENGTH_MM,
      areaCm2: areaOf(part),
      curvature: curvature.get(part.id) ?? 'gentle',
      seam: joints.some(({ seam }) => seam === 'vanish'),
      handled: joints.length >= HANDLED_JOINTS,
      visibility: captured.has(part.id) ? 'hidden' : 'seen',
      cleared: false,
    };
  });
}
