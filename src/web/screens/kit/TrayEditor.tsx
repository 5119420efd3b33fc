import { Button, NumberInput, Select, Textarea, TextInput } from '@mantine/core';
import { useState } from 'react';
import { numberLimits, textLimits } from '../../components/limits.ts';
import type { BuildRecord, TrayRecord } from '../../../api/index.ts';
import { SUBSTRATES } from '../../../core/finish/index.ts';
import {
  partLabel,
  readPartList,
  trayFields,
  type Kit,
  type PartListReading,
} from '../../../core/kit/index.ts';
import { saveTray } from '../../data/bench.ts';
import { changeKit, removeTray } from '../../data/kit.ts';
import { changesFromRead } from './partChanges.ts';
import { partOptions } from './partNames.ts';
import { RemoveButton } from '../../components/RemoveButton.tsx';

interface TrayEditorProps {
  build: BuildRecord;
  tray: TrayRecord;
  kit: Kit;
}

/** Name, plastic, area and parts of a sub-assembly. */
export function TrayEditor({ build, tray, kit }: TrayEditorProps) {
  const [name, setName] = useState(tray.name);
  const [pasted, setPasted] = useState('');
  const [problems, setProblems] = useState<PartListReading['problems']>([]);
  const [refused, setRefused] = useState<string | null>(null);
  const save = (change: Partial<TrayRecord>, label: string) =>
    void saveTray(tray, { ...tray, ...change }, label)
      .then(() => setRefused(null))
      .catch((error: unknown) => setRefused((error as Error).message));

  const takeParts = () => {
    const reading = readPartList(pasted);
    setProblems(reading.problems);
    setPasted(reading.problems.map(({ text }) => text).join('\n'));
    if (reading.parts.length === 0) return;
    const read = reading.parts.map(({ frame, number, name: partName, count }) => ({
      frame,
      number,
      name: partName,
      count,
    }));
    const { changes } = changesFromRead(kit, tray.buildId, read);
    const fresh = changes.map(({ value }) => value as Kit['parts'][number]);
    changeKit(tray.buildId, changes, `${fresh.length} parts`)
      .then(() => {
        const held = new Map([...tray.parts, ...fresh].map((part) => [part.id, part]));
        save({ parts: [...held.values()] }, `${fresh.length} parts into ${tray.name}`);
      })
      .catch((error: unknown) => setRefused((error as Error).message));
  };
  const inTray = new Set(tray.parts.map(({ id }) => id));
  return (
    <div className="panel">
      <div style={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fit, minmax(140px, 1fr))', gap: 12 }}>
        <TextInput
          label="Name"
          value={name}
          {...textLimits(trayFields.name)}
          onChange={(event) => setName(event.currentTarget.value)}
          onBlur={() =>
            name.trim() === ''
              ? setName(tray.name)
              : name.trim() !== tray.name && save({ name: name.trim() }, `rename ${tray.name}`)
          }
        />
        <Select
          label="Made of"
          data={SUBSTRATES.map(({ id, name: label }) => ({ value: id, label }))}
          value={tray.substrateId}
          onChange={(value) => value && save({ substrateId: value }, `plastic of ${tray.name}`)}
        />
        <NumberInput
          label="Area to paint, cm²"
          description="a body at 1:24 is about 250"
          inputWrapperOrder={['label', 'input', 'description']}
          defaultValue={tray.areaCm2}
          key={tray.areaCm2}
          {...numberLimits(trayFields.areaCm2)}
          onBlur={(event) => {
            const area = Number(event.currentTarget.value);
            if (area > 0 && area <= 20000 && area !== tray.areaCm2)
              save({ areaCm2: area }, `area of ${tray.name}`);
          }}
        />
      </div>
      <h3 style={{ margin: '14px 0 6px' }}>Parts</h3>
      {tray.parts.length === 0 ? (
        <p className="soft">No parts listed yet. Paste them below, a line each.</p>
      ) : (
        <div className="in-row breaks g8">
          {tray.parts.map((part) => (
            <span
              key={part.id}
              style={{
                display: 'inline-flex',
                gap: 8,
                alignItems: 'center',
                border: '1px solid var(--line-strong)',
                borderLeftWidth: 6,
                borderRadius: 3,
                padding: '2px 4px 2px 8px',
              }}
            >
              <span className="mono">
                {part.frame}
                {part.number}
              </span>{' '}
              {part.name}
              {part.count > 1 && <span className="mono">×{part.count}</span>}
              <RemoveButton
                name={`Remove ${part.name}`}
                onRemove={() =>
                  save({ parts: tray.parts.filter(({ id }) => id !== part.id) }, `remove ${part.name}`)
                }
              />
            </span>
          ))}
        </div>
      )}
      {kit.parts.length > inTray.size && (
        <Select
          mt="md"
          searchable
          label="Put in a part of the kit"
          placeholder="by number or name"
          data={partOptions(kit).filter(({ value }) => !inTray.has(value))}
          value={null}
          onChange={(id) => {
            const part = kit.parts.find((each) => each.id === id);
            if (part) save({ parts: [...tray.parts, part] }, `${partLabel(part)} into ${tray.name}`);
          }}
        />
      )}
      {refused && (
        <p role="alert" className="mt8">
          {refused}
        </p>
      )}
      <Textarea
        mt="md"
        label="Paste or type parts"
        description="a line each: frame and number, name, and ×count where there are several"
        placeholder={'A1 Body shell\nA5 Hood\nE1 Rims x4'}
        autosize
        minRows={3}
        maxRows={10}
        value={pasted}
        onChange={(event) => setPasted(event.currentTarget.value)}
      />
      {problems.length > 0 && (
        <div role="alert" className="mt8">
          {problems.map(({ line, problem }) => (
            <p key={line}>
              Line {line} was kept in the box above: {problem}.
            </p>
          ))}
        </div>
      )}
      <div className="in-row g10 mt10">
        <Button disabled={pasted.trim() === ''} onClick={takeParts}>
          Put the parts in this tray
        </Button>
        <Button className="ml-auto" onClick={() => void removeTray(build, tray)}>
          Remove this sub-assembly
        </Button>
      </div>
    </div>
  );
}
