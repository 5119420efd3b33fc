import { describe, expect, it } from 'vitest';
import type { BuildRecord, CodeRecord, TrayRecord } from '../../../../api/index.ts';
import { DAYLIGHT, recoverSpectrum, spectrumToLab } from '../../../../core/colour/index.ts';
import { EMPTY_KIT } from '../../../../core/kit/index.ts';
import { colourOfDecal, liveryColours } from './paletteTargets.ts';

const codeOf = (id: string, L: number): CodeRecord => ({
  id,
  maker: 'Own',
  code: id,
  name: `Colour ${id}`,
  years: '',
  suppliers: '',
  kind: 'solid',
  spectrum: recoverSpectrum({ L, a: 5, b: 5 }),
  gloss: 85,
  notice: '',
  version: 1,
  angles: null,
  sources: [{ provenance: 'chip', note: '', lab: { L, a: 5, b: 5 }, uncertainty: 1, inForce: true }],
});
const tray = (id: string, codeId: string | null, kind: 'colour' | 'metal' = 'colour') =>
  ({
    id,
    name: `Tray ${id}`,
    codeId,
    layers: [{ id: 'l', kind, coats: 2, tool: 'airbrush' }],
  }) as unknown as TrayRecord;
const build = (trays: TrayRecord[]) => ({ id: 'b', trays }) as unknown as BuildRecord;

describe('the colours of a livery', () => {
  const codes = [codeOf('red', 40), codeOf('cream', 85)];

  it('are each there once, with all that is painted in them', () => {
    const kit = {
      ...EMPTY_KIT,
      finishes: [{ id: 'f', name: 'Deck cream', look: 'gloss' as const, codeId: 'cream' }],
    };
    const found = liveryColours(
      build([tray('cab', 'red'), tray('doors', 'red'), tray('rails', 'cream'), tray('engine', null)]),
      kit,
      codes,
    );
    expect(found.map(({ id, where }) => [id, where])).toEqual([
      ['red', ['Tray cab', 'Tray doors']],
      ['cream', ['Tray rails', 'Deck cream']],
    ]);
    expect(found[0]!.uncertainty).toBe(1);
  });

  it('leave out what takes no colour and codes that are gone', () => {
    expect(
      liveryColours(build([tray('tank', 'red', 'metal'), tray('cab', 'lost')]), EMPTY_KIT, codes),
    ).toEqual([]);
  });

  it('can hold a paint that looks like a decal', () => {
    const lab = { L: 94, a: -0.5, b: 3 };
    const white = colourOfDecal({ id: 'w', name: 'Scroll white', lab, transparent: false, codeId: null });
    expect(white.id).toBe('decal w');
    const seen = spectrumToLab(white.spectrum, DAYLIGHT);
    expect(Math.hypot(seen.L - lab.L, seen.a - lab.a, seen.b - lab.b)).toBeLessThan(1e-6);
  });
});
