import type { BrightPart } from '../../../core/finish/index.ts';
import { HARDLY, PARTLY, type SeenDetail } from '../../../core/plan/index.ts';
import { areaOf, mainFinish, partLabel, type Kit, type Look, type Part } from '../../../core/kit/index.ts';

const BRIGHT: ReadonlySet<Look> = new Set(['chrome-ink', 'plating']);
const USUAL_LENGTH_MM = 20;
/** A part with so many joints is taken in hand again after it is bright. */
const HANDLED_JOINTS = 2;

export interface NamedBrightPart extends BrightPart {
  label: string;
  name: string;
  /** 0..1, where it is known, and whether it rests on a place that is only guessed. */
  share?: number;
  guessed?: boolean;
}

/** What of it can be seen; by its joints where no share is known. */
function sightOf(
  partId: string,
  isShutIn: boolean,
  seen: SeenDetail | null | undefined,
): Pick<NamedBrightPart, 'visibility' | 'share' | 'guessed'> {
  const share = seen?.shares.find(({ id }) => id === partId)?.share;
  if (share === undefined) return { visibility: isShutIn ? 'hidden' : 'seen' };
  return {
    visibility: share < HARDLY ? 'hidden' : share < PARTLY ? 'partly' : 'seen',
    share,
    guessed: seen!.placed.some((part) => part.partId === partId && part.guessed),
  };
}

/** The parts of a kit that are meant to be bright: those whose main finish is plating or chrome,
 *  and plated ones that stay metal or have no finish yet; cast and other dull metal is none. What nobody
 *  wrote down is taken as usual: visible as far as its place has it, else unless shut in; handled where it has several
 *  joints, a seam where a joint must vanish. */
export function brightParts(kit: Kit, seen?: SeenDetail | null): NamedBrightPart[] {
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
      ...sightOf(part.id, captured.has(part.id), seen),
      cleared: false,
    };
  });
}
