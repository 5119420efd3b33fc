import { Button, Select, TextInput } from '@mantine/core';
import { useState } from 'react';
import type { CodeRecord } from '../../../api/index.ts';
import { LOOKS, type Kit, type Look } from '../../../core/kit/index.ts';
import { changeKit } from '../../data/kit.ts';
import { newId } from '../../data/newId.ts';
import { finishHex } from './finishColour.ts';
import { RemoveButton } from '../../components/RemoveButton.tsx';

/** The colours and sheens that parts of this build share. */
export function FinishesPanel({ buildId, kit, codes }: { buildId: string; kit: Kit; codes: CodeRecord[] }) {
  const [name, setName] = useState('');
  const [look, setLook] = useState<Look>('gloss');
  const [codeId, setCodeId] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const used = (id: string) =>
    kit.parts.filter(({ zones }) => zones.some(({ finishId }) => finishId === id)).length;
  const add = () => {
    const wanted = name.trim();
    if (wanted === '') {
      setProblem('Name it as you would say it: cream, chassis black.');
      return;
    }
    if (kit.finishes.some((finish) => finish.name.toLowerCase() === wanted.toLowerCase())) {
      setProblem(`There is a finish “${wanted}” already.`);
      return;
    }
    const id = newId(buildId);
    void changeKit(
      buildId,
      [{ kind: 'finish', id, value: { name: wanted, look, codeId } }],
      `finish ${wanted}`,
    )
      .then(() => {
        setName('');
        setCodeId(null);
        setProblem(null);
      })
      .catch((error: unknown) => setProblem((error as Error).message));
  };
  return (
    <div className="panel">
      <h3>Finishes of this build</h3>
      {kit.finishes.length === 0 && (
        <p className="soft small">
          What ends up the same colour and sheen is joined before paint, so name each finish once and give it
          to its parts.
        </p>
      )}
      <ul style={{ listStyle: 'none', margin: 0, padding: 0 }}>
        {kit.finishes.map((finish) => (
          <li key={finish.id} style={{ display: 'flex', gap: 8, alignItems: 'center', padding: '2px 0' }}>
            <span className="swatchdot" style={{ background: finishHex(finish, codes) }} aria-hidden />
            <span style={{ flex: 1 }}>
              {finish.name} <span className="soft small">{finish.look}</span>
            </span>
            {used(finish.id) > 0 ? (
              <span className="mono soft">{used(finish.id)}</span>
            ) : (
              <RemoveButton
                name={`Remove the finish ${finish.name}`}
                onRemove={() =>
                  void changeKit(
                    buildId,
                    [{ kind: 'finish', id: finish.id, value: null }],
                    `remove finish ${finish.name}`,
                  ).catch(() => undefined)
                }
              />
            )}
          </li>
        ))}
      </ul>
      <form
        className="fieldgrid"
        style={{ marginTop: 8 }}
        onSubmit={(event) => {
          event.preventDefault();
          add();
        }}
      >
        <TextInput
          size="xs"
          className="wide"
          label="New finish"
          placeholder="cream"
          value={name}
          error={problem}
          onChange={(event) => setName(event.currentTarget.value)}
        />
        <Select
          size="xs"
          label="Look"
          data={LOOKS.map((value) => ({ value, label: value }))}
          value={look}
          onChange={(value) => value && setLook(value)}
        />
        <Select
          size="xs"
          label="Factory code"
          placeholder="none"
          clearable
          searchable
          limit={20}
          data={codes.map(({ id, code, name: label }) => ({ value: id, label: `${code} ${label}` }))}
          value={codeId}
          onChange={setCodeId}
        />
        <Button type="submit" fullWidth>
          Add the finish
        </Button>
      </form>
    </div>
  );
}
