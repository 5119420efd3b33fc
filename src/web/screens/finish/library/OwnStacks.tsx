import { Button, Checkbox, TextInput, UnstyledButton } from '@mantine/core';
import { useMemo, useState } from 'react';
import { textLimits } from '../../../components/limits.ts';
import type { BuildRecord, CodeRecord, TrayRecord } from '../../../../api/index.ts';
import { spectrumToDisplay } from '../../../../core/colour/index.ts';
import { formatMinutes, LAYER_KINDS } from '../../../../core/finish/index.ts';
import {
  stackRecord,
  type OwnStack,
  type PlannedLayer,
  type ProductIndex,
} from '../../../../core/kit/index.ts';
import { RemoveButton } from '../../../components/RemoveButton.tsx';
import { Spoon } from '../../../components/Spoon.tsx';
import { saveTrays } from '../../../data/bench.ts';
import { changeStock, useStock } from '../../../data/kit.ts';
import { newId } from '../../../data/newId.ts';
import { finishOf, type BuildContext } from '../../../data/buildContext.ts';
import { changeWords, ownStackOn, stackChanges } from '../planned.ts';

interface OwnStacksProps {
  build: BuildRecord;
  tray: TrayRecord;
  workshop: Pick<BuildContext, 'products' | 'codes' | 'conditions' | 'longestSession'>;
  onClose: () => void;
}

interface Source {
  id: string;
  name: string;
  note: string;
  layers: PlannedLayer[];
  own: OwnStack | undefined;
}

/** The builder's own stacks and those of the other sub-assemblies: keep this one, compare them side by side on this
 *  part, and put one on as many sub-assemblies as wanted after seeing what that changes. */
export function OwnStacks({ build, tray, workshop, onClose }: OwnStacksProps) {
  const stock = useStock();
  const [name, setName] = useState(tray.name);
  const [note, setNote] = useState('');
  const [pickedId, setPickedId] = useState<string>();
  const [onto, setOnto] = useState<ReadonlySet<string>>(new Set([tray.id]));
  const [told, setTold] = useState('');
  const sources: Source[] = [
    ...(stock?.stacks ?? []).map((own) => ({ ...own, own })),
    ...build.trays
      .filter(({ id, layers }) => id !== tray.id && layers.length > 0)
      .map(({ id, name: trayName, layers }) => ({
        id,
        name: trayName,
        note: 'as on that sub-assembly',
        layers,
        own: undefined,
      })),
  ];
  const picked = sources.find(({ id }) => id === pickedId) ?? sources[0];
  const keep = () => {
    const known = stock?.stacks.find((stack) => stack.name === name.trim());
    void changeStock(
      [
        {
          kind: 'stack',
          id: known?.id ?? newId('stack'),
          value: { name: name.trim(), note: note.trim(), layers: tray.layers },
        },
      ],
      `keep the stack ${name.trim()}`,
    )
      .then(() => setTold(known ? 'Kept in place of the one of that name.' : 'Kept.'))
      .catch((problem: unknown) => setTold(`${(problem as Error).message} Nothing was kept.`));
  };
  const targets = build.trays.filter(({ id }) => onto.has(id));
  const changes = picked
    ? targets
        .map((before) => ({ before, after: { ...before, layers: ownStackOn(picked.layers, before.layers) } }))
        .filter(({ before, after }) =>
          stackChanges(before.layers, after.layers).some(({ what }) => what !== 'stays'),
        )
    : [];
  return (
    <div className="panel stacked g10" role="region" aria-label="My stacks">
      <div className="in-row apart">
        <h3>My stacks</h3>
        <UnstyledButton className="plain" aria-label="Close my stacks" onClick={onClose}>
          ✕
        </UnstyledButton>
      </div>
      <form
        className="in-row g8 low breaks"
        onSubmit={(event) => {
          event.preventDefault();
          keep();
        }}
      >
        <TextInput
          size="xs"
          label="Keep this stack as"
          value={name}
          {...textLimits(stackRecord.fields.name)}
          onChange={(event) => setName(event.currentTarget.value)}
        />
        <TextInput
          size="xs"
          label="Note"
          placeholder="what it is good for"
          value={note}
          {...textLimits(stackRecord.fields.note)}
          style={{ flex: 1, minWidth: 140 }}
          onChange={(event) => setNote(event.currentTarget.value)}
        />
        <Button type="submit" disabled={name.trim() === '' || tray.layers.length === 0}>
          Keep
        </Button>
      </form>
      {told && (
        <p role="status" className="small">
          {told}
        </p>
      )}
      {sources.length === 0 && <p className="soft">No stack kept yet, and no other sub-assembly has one.</p>}
      <div role="radiogroup" aria-label="Kept stacks" className="booth stackoffers">
        {sources.map((source) => (
          <OwnStackOffer
            key={source.id}
            source={source}
            tray={tray}
            scale={build.scale}
            workshop={workshop}
            chosen={source === picked}
            onPick={() => setPickedId(source.id)}
          />
        ))}
      </div>
      {picked && (
        <>
          <p className="small">
            {picked.note && `${picked.note}. `}
            {picked.layers
              .map(
                ({ kind, coats }) =>
                  `${LAYER_KINDS[kind].name.toLowerCase()}${coats > 1 ? ` × ${coats}` : ''}`,
              )
              .join(', ')}
            {picked.own && (
              <RemoveButton
                name={`Throw away the stack ${picked.name}`}
                onRemove={() =>
                  void changeStock(
                    [{ kind: 'stack', id: picked.id, value: null }],
                    `throw away the stack ${picked.name}`,
                  ).catch(() => undefined)
                }
              />
            )}
          </p>
          <div className="in-row g14 breaks" role="group" aria-label="Put it on">
            {build.trays.map(({ id, name: trayName }) => (
              <Checkbox
                key={id}
                size="xs"
                label={trayName}
                checked={onto.has(id)}
                onChange={({ currentTarget: { checked } }) => {
                  const next = new Set(onto);
                  if (checked) next.add(id);
                  else next.delete(id);
                  setOnto(next);
                }}
              />
            ))}
          </div>
          <ul className="plainbullets small" aria-label="What it changes">
            {targets.map((before) => (
              <li key={before.id}>
                <b>{before.name}</b>: {changeWords(before.layers, ownStackOn(picked.layers, before.layers))}
              </li>
            ))}
          </ul>
          <Button
            variant="action"
            className="unstretched self-start"
            disabled={changes.length === 0}
            onClick={() =>
              void saveTrays(changes, `${picked.name} on ${changes.length} sub-assemblies`).catch(
                () => undefined,
              )
            }
          >
            {changes.length === 0
              ? 'Nothing would change'
              : `Put it on ${changes.length === 1 ? changes[0]!.before.name : `${changes.length} sub-assemblies`}`}
          </Button>
        </>
      )}
    </div>
  );
}

interface OwnStackOfferProps {
  source: Source;
  tray: TrayRecord;
  scale: number;
  workshop: { products: ProductIndex; codes: readonly CodeRecord[] } & Pick<
    BuildContext,
    'conditions' | 'longestSession'
  >;
  chosen: boolean;
  onPick: () => void;
}

/** A stack as it would look on this part: spoon, time, film, warnings. */
function OwnStackOffer({ source, tray, scale, workshop, chosen, onPick }: OwnStackOfferProps) {
  const { products, codes, conditions, longestSession } = workshop;
  const { evaluation } = useMemo(
    () =>
      finishOf(
        { ...tray, layers: ownStackOn(source.layers, tray.layers) },
        scale,
        products,
        codes,
        conditions,
        { longestSession },
      ),
    [source.layers, tray, scale, products, codes, conditions, longestSession],
  );
  const warnings =
    evaluation?.findings.filter(({ severity }) => severity === 'stop' || severity === 'warn').length ?? 0;
  return (
    <UnstyledButton role="radio" aria-checked={chosen} onClick={onPick}>
      {evaluation && (
        <Spoon
          hex={spectrumToDisplay(evaluation.spectrum).hex}
          gloss={evaluation.gloss}
          width={40}
          label={`${source.name}, as it would look here`}
        />
      )}
      <span className="small">
        <b>{source.name}</b>
        {evaluation && (
          <span className="mono block">
            {formatMinutes(evaluation.elapsed)}, {Math.round(evaluation.filmFlat.usual)} µm
          </span>
        )}
        <span className="block">
          {warnings > 0 ? `${warnings} ${warnings === 1 ? 'warning' : 'warnings'}` : 'no warning'}
        </span>
      </span>
    </UnstyledButton>
  );
}
