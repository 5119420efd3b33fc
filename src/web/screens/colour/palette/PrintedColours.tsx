import { textLimits } from '../../../components/limits.ts';
import { bare, figure } from '../../../../core/figures.ts';
import { Button, Checkbox, Select, TextInput } from '@mantine/core';
import { useState } from 'react';
import {
  ciede2000,
  DAYLIGHT,
  possibleSpectrum,
  recoverSpectrum,
  spectrumToDisplay,
  spectrumToLab,
  typedColour,
  type IlluminantId,
} from '../../../../core/colour/index.ts';
import { resolveMix, type DecalColour, type ProductIndex, decalRecord } from '../../../../core/kit/index.ts';
import { besideDecal, type PalettePlan } from '../../../../core/match/index.ts';
import { inkFor, inkOver, opaqueSpectrum, seenSurface } from '../../../../core/paint/index.ts';
import { KIT_ITEMS } from '../../../../api/index.ts';
import { useCheckedForm } from '../../../components/form/useCheckedForm.tsx';
import { ColourField } from '../../../components/ColourField.tsx';
import { RemoveButton } from '../../../components/RemoveButton.tsx';
import { Spoon } from '../../../components/Spoon.tsx';
import { changeKit } from '../../../data/kit.ts';
import { newId } from '../../../data/newId.ts';
import type { LiveryColour } from './paletteTargets.ts';

interface PrintedColoursProps {
  buildId: string;
  decals: readonly DecalColour[];
  livery: readonly LiveryColour[];
  plan: PalettePlan | undefined;
  products: ProductIndex;
  light: IlluminantId;
  matched: ReadonlySet<string>;
  onMatch: (matched: ReadonlySet<string>) => void;
}

/** Decal whites and inks: colours that stay as they are, and what that means for the paint beside and under them. */
export function PrintedColours({
  buildId,
  decals,
  livery,
  plan,
  products,
  light,
  matched,
  onMatch,
}: PrintedColoursProps) {
  const [adding, setAdding] = useState(false);
  const condition = { illuminant: light, observer: '2deg' } as const;
  const seen = (spectrum: readonly number[]) => spectrumToDisplay(spectrum, condition).hex;
  const paintFor = (codeId: string | null) => {
    const colour = livery.find(({ id }) => id === codeId);
    if (!colour) return undefined;
    const recipe = plan?.recipes.find(({ colourId }) => colourId === codeId);
    const product = recipe && resolveMix(recipe.drops, products);
    return {
      colour,
      spectrum: product ? opaqueSpectrum(product.optics, seenSurface(colour.gloss)) : colour.spectrum,
    };
  };
  return (
    <div style={{ marginTop: 18 }}>
      <h3>Printed colours, which cannot be mixed anew</h3>
      {decals.length === 0 && (
        <p className="small">
          A decal&apos;s white beside a painted white rarely matches, and printed ink lets a dark body
          through. Put the printed colours in to know before you choose decal or mask.
        </p>
      )}
      <ul style={{ listStyle: 'none', margin: '6px 0', padding: 0, display: 'grid', gap: 8 }}>
        {decals.map((decal) => {
          const onWhite = possibleSpectrum(decal.lab);
          const paint = paintFor(decal.codeId);
          const over = paint && decal.transparent ? inkOver(onWhite, paint.spectrum) : onWhite;
          return (
            <li key={decal.id} className="well printed">
              <span className="in-row">
                <Spoon hex={seen(onWhite)} width={34} label={`${decal.name} on white`} />
                {paint && (
                  <Spoon hex={seen(paint.spectrum)} width={34} label={`${paint.colour.name}, painted`} />
                )}
                {paint && decal.transparent && (
                  <Spoon hex={seen(over)} width={34} label={`${decal.name} over ${paint.colour.name}`} />
                )}
              </span>
              <span>
                <b>{decal.name}</b>{' '}
                <span className="small">
                  {decal.transparent ? 'transparent ink over' : 'beside'}{' '}
                  {paint ? `${paint.colour.label} ${paint.colour.name}` : 'nothing in particular'}
                </span>
                <span className="block">
                  {paint
                    ? decal.transparent
                      ? inkAdvice(onWhite, over, paint.spectrum)
                      : besideAdvice(paint.spectrum, onWhite, light)
                    : 'Say which colour it lies on or beside.'}
                </span>
                {!decal.transparent && (
                  <Checkbox
                    mt={4}
                    label="hold a paint that looks like it"
                    checked={matched.has(decal.id)}
                    onChange={(event) => {
                      const next = new Set(matched);
                      if (event.currentTarget.checked) next.add(decal.id);
                      else next.delete(decal.id);
                      onMatch(next);
                    }}
                  />
                )}
              </span>
              <RemoveButton
                name={`Take out ${decal.name}`}
                onRemove={() =>
                  void changeKit(buildId, [{ kind: 'decal', id: decal.id, value: null }], decal.name).catch(
                    () => undefined,
                  )
                }
              />
            </li>
          );
        })}
      </ul>
      {adding ? (
        <NewPrinted buildId={buildId} livery={livery} onDone={() => setAdding(false)} />
      ) : (
        <Button variant="default" size="xs" onClick={() => setAdding(true)}>
          Add a printed colour
        </Button>
      )}
    </div>
  );
}

function besideAdvice(paint: readonly number[], decal: readonly number[], light: IlluminantId): string {
  const { dE00, words, verdict } = besideDecal(paint, decal, { illuminant: light, observer: '2deg' });
  const how = words === '' ? '' : `, the paint ${words}`;
  const apart = `${figure(dE00, 'dE')} apart${how}`;
  if (verdict === 'sits') return `${apart}: they sit together; use the decal.`;
  if (verdict === 'seen')
    return `${apart}: seen where they touch. Leave a gap or a line between, or paint the panel to the decal.`;
  return `${apart}: two colours. Where they are meant as one, mask and paint the marking too, or paint the panel to the decal.`;
}

/** An ink that comes so near over the base is as good as printed on white, dE00. */
const INK_NEAR = 1.5;

function inkAdvice(onWhite: readonly number[], over: readonly number[], base: readonly number[]): string {
  const wanted = spectrumToLab(onWhite, DAYLIGHT);
  const asItIs = ciede2000(wanted, spectrumToLab(over, DAYLIGHT));
  if (asItIs < INK_NEAR) return `Looks as on white (${figure(asItIs, 'dE')}): print it as it is.`;
  const ink = inkFor(onWhite, base);
  const changed = ciede2000(wanted, spectrumToLab(inkOver(ink, base), DAYLIGHT));
  const print = spectrumToDisplay(ink, DAYLIGHT);
  if (changed < INK_NEAR)
    return `Over this base ${figure(asItIs, 'dE')} off. Print ${print.hex} instead (ink changed by ${figure(ciede2000(wanted, spectrumToLab(ink, DAYLIGHT)), 'dE')}) and it comes to ${figure(changed, 'dE')}.`;
  return `Over this base ${figure(asItIs, 'dE')} off, and the best ink still ${bare(changed, 'dE')}: the base gives too little light. Print on white film, or lay a white underlay.`;
}

type DecalInput = Omit<DecalColour, 'id'>;

interface PrintedDraft {
  name: string;
  /** As typed: hex, or L a b. */
  colour: string;
  kind: 'white' | 'ink';
  codeId: string | null;
}

function NewPrinted({
  buildId,
  livery,
  onDone,
}: {
  buildId: string;
  livery: readonly LiveryColour[];
  onDone: () => void;
}) {
  const form = useCheckedForm<PrintedDraft, DecalInput>({
    initial: { name: '', colour: '', kind: 'white', codeId: livery[0]?.id ?? null },
    valueOf: ({ name, colour, kind, codeId }) => {
      const lab = typedColour(colour);
      // Refused here, before it is kept, where no surface can have it.
      recoverSpectrum(lab);
      return { name: name.trim(), lab, transparent: kind === 'ink', codeId };
    },
    schema: KIT_ITEMS.decal,
    asks: { name: 'Give the printed colour a name, so that you find it again.' },
    inputOf: { lab: 'colour' },
    wholeAt: 'colour',
  });
  const keep = async (value: DecalInput) => {
    await changeKit(buildId, [{ kind: 'decal', id: newId('decal'), value }], value.name);
    onDone();
  };
  return (
    <form
      className="panel"
      style={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 8, color: 'var(--ink)' }}
      onSubmit={form.submit(keep)}
    >
      <TextInput label="Name" {...textLimits(decalRecord.fields.name)} {...form.input('name')} />
      <ColourField label="Colour on white: L a b, or hex" {...form.input('colour')} />
      <Select
        label="Kind"
        data={[
          { value: 'white', label: 'opaque: film or white under it' },
          { value: 'ink', label: 'transparent ink' },
        ]}
        {...form.input('kind')}
        allowDeselect={false}
      />
      <Select
        label="On or beside"
        data={livery.map(({ id, label, name: named }) => ({ value: id, label: `${label} ${named}` }))}
        {...form.input('codeId')}
        clearable
      />
      {form.problem}
      <div style={{ display: 'flex', gap: 8, gridColumn: '1 / -1' }}>
        <Button type="submit" size="xs">
          Keep this colour
        </Button>
        <Button variant="default" size="xs" onClick={onDone}>
          Cancel
        </Button>
      </div>
    </form>
  );
}
