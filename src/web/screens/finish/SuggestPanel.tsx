import { Button, Checkbox, NativeSelect, Table, UnstyledButton } from '@mantine/core';
import { useMemo, useState } from 'react';
import type { CodeRecord, TrayRecord } from '../../../api/index.ts';
import { DAYLIGHT, spectrumToDisplay, spectrumToLab } from '../../../core/colour/index.ts';
import {
  FINISH_LOOKS,
  formatMinutes,
  LAYER_KINDS,
  suggestStacks,
  SUBSTRATES,
  type Conditions,
  type FinishLook,
  type StackEvaluation,
  type StackWish,
  type SuggestedStack,
} from '../../../core/finish/index.ts';
import type { PlannedLayer, ProductIndex } from '../../../core/kit/index.ts';
import { Spoon } from '../../components/Spoon.tsx';
import { DaysLeft } from './DaysLeft.tsx';
import { finishOf } from '../../data/buildContext.ts';
import { plannedFrom, stackChanges } from './planned.ts';

interface SuggestPanelProps {
  tray: TrayRecord;
  scale: number;
  code: CodeRecord | undefined;
  codes: readonly CodeRecord[];
  products: ProductIndex;
  conditions: Conditions;
  onTake: (layers: PlannedLayer[], name: string) => void;
  onClose: () => void;
}

const MINUTES_A_DAY = 1440;
const LOOK_OF: Record<CodeRecord['kind'], FinishLook> = {
  solid: 'solid',
  satin: 'solid',
  metallic: 'metallic',
  pearl: 'pearl',
  candy: 'candy',
};

interface Offer {
  stack: SuggestedStack;
  layers: PlannedLayer[];
  evaluation: StackEvaluation | undefined;
  warnings: number;
  late: boolean;
}

/** Stacks for what is wanted, side by side: look, time, film, warnings; each layer with its reason, and what taking
 *  it would change. */
export function SuggestPanel({
  tray,
  scale,
  code,
  codes,
  products,
  conditions,
  onTake,
  onClose,
}: SuggestPanelProps) {
  const substrate = SUBSTRATES.find(({ id }) => id === tray.substrateId) ?? SUBSTRATES[0]!;
  const [look, setLook] = useState<FinishLook>(code ? LOOK_OF[code.kind] : 'solid');
  const [sheen, setSheen] = useState<StackWish['sheen']>(code?.kind === 'satin' ? 'satin' : 'gloss');
  const [tool, setTool] = useState<StackWish['tool']>('airbrush');
  const [wants, setWants] = useState({
    decals: tray.layers.some(({ kind }) => kind === 'decal'),
    decalsOver: false,
    polish: tray.layers.some(({ kind }) => kind === 'polish'),
    tightFit: false,
  });
  const [days, setDays] = useState<number | null>(null);
  const [picked, setPicked] = useState<string>();

  const { offers, problem } = useMemo<{ offers: Offer[]; problem?: string }>(() => {
    try {
      const stacks = suggestStacks({
        look,
        sheen,
        substrate: {
          kind: substrate.kind,
          lightness: spectrumToLab(substrate.reflectance, DAYLIGHT).L,
        },
        wanted: code && spectrumToLab(code.spectrum, DAYLIGHT),
        tool,
        ...wants,
      });
      return {
        offers: stacks.map((stack) => {
          const layers = plannedFrom(stack.layers, tray.layers);
          const { evaluation } = finishOf({ ...tray, layers }, scale, products, codes, conditions);
          const warnings =
            evaluation?.findings.filter(({ severity }) => severity === 'stop' || severity === 'warn')
              .length ?? 0;
          const late = days !== null && evaluation !== undefined && evaluation.elapsed > days * MINUTES_A_DAY;
          return { stack, layers, evaluation, warnings, late };
        }),
      };
    } catch (error) {
      return { offers: [], problem: (error as Error).message };
    }
  }, [look, sheen, tool, wants, days, substrate, code, tray, scale, products, codes, conditions]);
  const offer =
    offers.find(({ stack }) => stack.id === picked) ?? offers.find(({ late }) => !late) ?? offers[0];
  const changes = offer ? stackChanges(tray.layers, offer.layers) : [];
  const flag = (key: keyof typeof wants, label: string) => (
    <Checkbox
      label={label}
      checked={wants[key]}
      onChange={(event) => setWants({ ...wants, [key]: event.currentTarget.checked })}
    />
  );
  return (
    <div className="panel stacked g10" aria-label="Suggested stacks" role="region">
      <div className="in-row apart">
        <h3>Suggested for {tray.name.toLowerCase()}</h3>
        <UnstyledButton className="plain" aria-label="Close the suggestions" onClick={onClose}>
          ✕
        </UnstyledButton>
      </div>
      <div style={{ display: 'grid', gridTemplateColumns: 'repeat(4, 1fr)', gap: 8 }}>
        <NativeSelect
          size="xs"
          label="Look"
          data={[...FINISH_LOOKS]}
          value={look}
          onChange={({ currentTarget: { value } }) => setLook(value as FinishLook)}
        />
        <NativeSelect
          size="xs"
          label="Sheen"
          data={['gloss', 'satin', 'matt']}
          value={sheen}
          onChange={({ currentTarget: { value } }) => setSheen(value as StackWish['sheen'])}
        />
        <NativeSelect
          size="xs"
          label="Sprayed with"
          data={[
            { value: 'airbrush', label: 'airbrush' },
            { value: 'can', label: 'spray can' },
          ]}
          value={tool}
          onChange={({ currentTarget: { value } }) => setTool(value as StackWish['tool'])}
        />
        <DaysLeft days={days} onChange={setDays} size="xs" />
      </div>
      <div className="in-row g16 breaks">
        {flag('decals', 'decals')}
        {flag('decalsOver', 'decals over the clear')}
        {flag('polish', 'polished out')}
        {flag('tightFit', 'no room for primer')}
      </div>
      {problem && <p role="alert">{problem}</p>}
      <div role="radiogroup" aria-label="Stacks" className="booth stackoffers">
        {offers.map(({ stack, evaluation, warnings, late }) => (
          <UnstyledButton
            key={stack.id}
            role="radio"
            aria-checked={stack === offer?.stack}
            onClick={() => setPicked(stack.id)}
          >
            {evaluation && (
              <Spoon
                hex={spectrumToDisplay(evaluation.spectrum).hex}
                gloss={evaluation.gloss}
                width={40}
                label={`${stack.name}, as it will look`}
              />
            )}
            <span className="small">
              <b>{stack.name}</b>
              {evaluation && (
                <>
                  <span className="mono block">{formatMinutes(evaluation.elapsed)}</span>
                  <span className="mono block">{Math.round(evaluation.filmFlat.usual)} µm</span>
                </>
              )}
              <span className="block">
                {warnings > 0 ? `${warnings} ${warnings === 1 ? 'warning' : 'warnings'}` : 'no warning'}
                {late ? ', too late' : ''}
              </span>
            </span>
          </UnstyledButton>
        ))}
      </div>
      {offer && (
        <>
          <p>{offer.stack.because}</p>
          <Table className="plainlist">
            <Table.Thead>
              <Table.Tr>
                <Table.Th>Layer, bottom first</Table.Th>
                <Table.Th>Because</Table.Th>
                <Table.Th>Here it</Table.Th>
              </Table.Tr>
            </Table.Thead>
            <Table.Tbody>
              {changes.map(({ what, before, after }, index) => {
                const layer = (after ?? before)!;
                const at = after ? offer.layers.indexOf(after) : -1;
                const name = layer.mix
                  ? Object.keys(layer.mix)
                      .map((id) => products.get(id)?.name ?? id)
                      .join(' + ')
                  : LAYER_KINDS[layer.kind].name;
                return (
                  <Table.Tr key={`${index} ${layer.id}`}>
                    <Table.Td>
                      {name}
                      {layer.coats > 1 && <span className="mono small"> × {layer.coats}</span>}
                    </Table.Td>
                    <Table.Td className="small wraps">{offer.stack.layers[at]?.because ?? ''}</Table.Td>
                    <Table.Td>{what}</Table.Td>
                  </Table.Tr>
                );
              })}
            </Table.Tbody>
          </Table>
          <Button
            variant="action"
            className="unstretched self-start"
            disabled={changes.every(({ what }) => what === 'stays')}
            onClick={() => onTake(offer.layers, offer.stack.name)}
          >
            {changes.every(({ what }) => what === 'stays') ? 'This is the stack in use' : 'Take this stack'}
          </Button>
        </>
      )}
    </div>
  );
}
