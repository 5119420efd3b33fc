import { Button, Checkbox, NativeSelect, TextInput } from '@mantine/core';
import { useMemo, useState } from 'react';
import {
  counted,
  finishRecord,
  LOOKS,
  suggestFinishes,
  type FinishSuggestion,
  type Kit,
  type Look,
} from '../../../../core/kit/index.ts';
import { textLimits } from '../../../components/limits.ts';

const SHOWN = 4;

interface ProposedFinishesProps {
  kit: Kit;
  onTake: (taken: FinishSuggestion[]) => void;
}

interface Change {
  name?: string;
  look?: Look;
  left?: boolean;
}

/** Finishes that the roles suggest, each to be renamed, given another look, or left. */
export function ProposedFinishes({ kit, onTake }: ProposedFinishesProps) {
  const { suggestions, unknown } = useMemo(() => suggestFinishes(kit), [kit]);
  const [changes, setChanges] = useState<Readonly<Record<string, Change>>>({});
  const alter = (id: string, change: Change) =>
    setChanges({ ...changes, [id]: { ...changes[id], ...change } });
  const meant = suggestions.map((each) => ({ ...each, ...changes[each.id] }));
  const taken = meant.filter(({ left, name }) => left !== true && name.trim() !== '');
  const pieces = taken.reduce((sum, { partIds }) => sum + partIds.length, 0);
  if (suggestions.length === 0) return <NothingProposed kit={kit} unknown={unknown.length} />;
  return (
    <div className="panel" role="group" aria-label="Finishes proposed">
      <h3>Finishes proposed</h3>
      {meant.map((each) => (
        <Proposed key={each.id} proposed={each} kit={kit} onChange={(change) => alter(each.id, change)} />
      ))}
      {unknown.length > 0 && (
        <p className="small">
          Left out, since nothing tells what they are: {counted(unknown.length, 'part')}. Say where they
          belong.
        </p>
      )}
      <Button variant="action" mt={10} disabled={taken.length === 0} onClick={() => onTake(taken)}>
        {taken.length === 0
          ? 'None is chosen'
          : `Give ${counted(pieces, 'part')} ${counted(taken.length, 'finish', 'finishes')}`}
      </Button>
    </div>
  );
}

interface ProposedProps {
  proposed: FinishSuggestion & { left?: boolean };
  kit: Kit;
  onChange: (change: Change) => void;
}

function Proposed({ proposed, kit, onChange }: ProposedProps) {
  const { name, look, left, finishId, partIds, because } = proposed;
  const names = kit.parts.flatMap((part) => (partIds.includes(part.id) ? [part.name.toLowerCase()] : []));
  const more = names.length > SHOWN ? ` and ${names.length - SHOWN} more` : '';
  return (
    <div className="proposed">
      <Checkbox
        aria-label={`Take ${name}`}
        checked={left !== true}
        onChange={({ currentTarget: { checked } }) => onChange({ left: !checked })}
      />
      <TextInput
        size="xs"
        aria-label={`Name of ${proposed.id}`}
        disabled={finishId !== null}
        value={name}
        {...textLimits(finishRecord.fields.name)}
        onChange={({ currentTarget: { value } }) => onChange({ name: value })}
      />
      <NativeSelect
        size="xs"
        aria-label={`Look of ${name}`}
        disabled={finishId !== null}
        data={[...LOOKS]}
        value={look}
        onChange={({ currentTarget: { value } }) => onChange({ look: value as Look })}
      />
      <p className="small soft">
        {counted(partIds.length, 'part')}: {names.slice(0, SHOWN).join(', ')}
        {more}; {because}
        {finishId !== null && '; one of yours'}.
      </p>
    </div>
  );
}

const NothingProposed = ({ kit, unknown }: { kit: Kit; unknown: number }) => (
  <p className="panel">
    {kit.parts.length === 0
      ? 'Finishes are proposed from what the parts are.'
      : unknown > 0
        ? `Of ${counted(unknown, 'part')} without a finish nothing tells what they are: say where they belong, and a finish is proposed.`
        : 'Every part of this version has its finish.'}
  </p>
);
