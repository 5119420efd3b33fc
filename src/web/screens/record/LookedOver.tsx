import { Button, Group, Select, TextInput } from '@mantine/core';
import { useState } from 'react';
import {
  FAULT_FACTS,
  FAULTS,
  POINTS,
  type FaultId,
  type InspectionPoint,
} from '../../../core/record/index.ts';
import { inspectionRecord, newRecord, type Inspection, type Kit } from '../../../core/kit/index.ts';
import type { BuildRecord } from '../../../api/index.ts';
import { textLimits } from '../../components/limits.ts';
import { LookInPictures } from './inPictures/LookInPictures.tsx';
import { partOptions } from '../kit/partNames.ts';

interface LookedOverProps {
  point: InspectionPoint;
  kit: Kit;
  build: BuildRecord;
  onKeep: (inspection: Omit<Inspection, 'id' | 'at'>) => void;
}

/** One thing to look over: what to look for and how, and what was found. */
export function LookedOver({ point: { kind, step }, kit, build, onKeep }: LookedOverProps) {
  const { name, lookFor, how } = POINTS[kind];
  const [fault, setFault] = useState<FaultId | null>(null);
  const [partId, setPartId] = useState<string | null>(null);
  const [where, setWhere] = useState('');
  const fresh = { ...newRecord(inspectionRecord), operationId: step.id };
  return (
    <div className="panel stacked g8">
      <h3>{step.title}</h3>
      <p>
        {name}: {how}.
      </p>
      <ul className="mt6">
        {lookFor.map((id) => (
          <li key={id}>
            <b>{FAULT_FACTS[id].name}</b>: {FAULT_FACTS[id].tell}
          </li>
        ))}
      </ul>
      <Group>
        <Button onClick={() => onKeep({ ...fresh, outcome: 'accept' })}>Nothing found: accept it</Button>
        <LookInPictures
          build={build}
          kit={kit}
          at={{ operationId: step.id, partId }}
          title={`In pictures: ${step.title}`}
        />
      </Group>
      <form
        className="stacked g8"
        aria-label="Something was found"
        onSubmit={(event) => {
          event.preventDefault();
          if (fault === null) return;
          onKeep({ ...fresh, fault, partId, where: where.trim() });
          setFault(null);
          setWhere('');
        }}
      >
        <Select
          label="Something was found"
          placeholder="what it is"
          searchable
          data={[
            { group: 'looked for here', items: lookFor.map(option) },
            { group: 'other', items: FAULTS.filter((id) => !lookFor.includes(id)).map(option) },
          ]}
          value={fault}
          onChange={(id) => setFault(id)}
        />
        <Select
          label="On the part"
          placeholder="not said"
          searchable
          clearable
          limit={80}
          data={partOptions(kit)}
          value={partId}
          onChange={setPartId}
        />
        <TextInput
          label="Where"
          placeholder="lower edge, behind the wheel"
          value={where}
          {...textLimits(inspectionRecord.fields.where)}
          onChange={({ currentTarget: { value } }) => setWhere(value)}
        />
        <Button type="submit" variant="default" disabled={fault === null}>
          Keep what was found
        </Button>
      </form>
    </div>
  );
}

const option = (id: FaultId) => ({ value: id, label: FAULT_FACTS[id].name });
