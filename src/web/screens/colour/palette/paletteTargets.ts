import type { BuildRecord, CodeRecord } from '../../../../api/index.ts';
import { possibleSpectrum, type Lab } from '../../../../core/colour/index.ts';
import { targetLayer, type DecalColour, type Kit } from '../../../../core/kit/index.ts';
import { codeLab } from '../../../../core/match/index.ts';
import { FULL_GLOSS } from '../../../../core/paint/index.ts';
import { targetUncertainty } from '../candidates.ts';

/** A colour that the livery of a build needs, and where. */
export interface LiveryColour {
  /** Of a code, or of a decal with "decal " before it. */
  id: string;
  label: string;
  name: string;
  kind: CodeRecord['kind'];
  lab: Lab;
  spectrum: number[];
  /** Gloss that it is seen with, gloss units at 60 degrees. */
  gloss: number;
  uncertainty: number;
  /** What is painted in it. */
  where: string[];
}

/** A decal's white was read on another sheet, or guessed. */
const DECAL_UNCERTAINTY = 1;

/** The colours of a build's sub-assemblies and of the finishes on its parts, each once. */
export function liveryColours(build: BuildRecord, kit: Kit, codes: readonly CodeRecord[]): LiveryColour[] {
  const where = new Map<string, Set<string>>();
  const add = (codeId: string | null, name: string) => {
    if (codeId === null) return;
    const names = where.get(codeId) ?? new Set();
    where.set(codeId, names.add(name));
  };
  for (const tray of build.trays) if (targetLayer(tray.layers)) add(tray.codeId, tray.name);
  for (const finish of kit.finishes) add(finish.codeId, finish.name);
  return [...where].flatMap(([codeId, names]) => {
    const code = codes.find(({ id }) => id === codeId);
    if (!code) return [];
    return [
      {
        id: code.id,
        label: code.code,
        name: code.name,
        kind: code.kind,
        lab: codeLab(code),
        spectrum: code.spectrum,
        gloss: code.gloss,
        uncertainty: targetUncertainty(code),
        where: [...names],
      },
    ];
  });
}

/** A painted colour that is to look like a decal's. */
export function colourOfDecal({ id, name, lab }: DecalColour): LiveryColour {
  return {
    id: `decal ${id}`,
    label: 'like the decal',
    name,
    kind: 'solid',
    lab,
    spectrum: possibleSpectrum(lab),
    gloss: FULL_GLOSS,
    uncertainty: DECAL_UNCERTAINTY,
    where: ['beside the decal'],
  };
}
