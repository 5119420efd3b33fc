import { Button, Select, TextInput } from '@mantine/core';
import { KIT_ITEMS, type CodeRecord } from '../../../api/index.ts';
import { useRecordForm } from '../../components/form/useRecordForm.tsx';
import { finishRecord, LOOKS, type Kit } from '../../../core/kit/index.ts';
import { changeKit } from '../../data/kit.ts';
import { newId } from '../../data/newId.ts';
import { finishHex } from './finishColour.ts';
import { RemoveButton } from '../../components/RemoveButton.tsx';

/** The colours and sheens that parts of this build share. */
export function FinishesPanel({ buildId, kit, codes }: { buildId: string; kit: Kit; codes: CodeRecord[] }) {
  const used = (id: string) =>
    kit.parts.filter(({ zones }) => zones.some(({ finishId }) => finishId === id)).length;
  return (
    <div className="panel">
      <h3>Finishes of this build</h3>
      {kit.finishes.length === 0 && (
        <p className="soft small">
          What ends up the same colour and sheen is joined before paint, so name each finish once and give it
          to its parts.
        </p>
      )}
      <ul className="unlisted m0 p0">
        {kit.finishes.map((finish) => (
          <li key={finish.id} style={{ display: 'flex', gap: 8, alignItems: 'center', padding: '2px 0' }}>
            <span className="swatchdot" style={{ background: finishHex(finish, codes) }} aria-hidden />
            <span className="grows">
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
      <NewFinish buildId={buildId} kit={kit} codes={codes} />
    </div>
  );
}

function NewFinish({ buildId, kit, codes }: { buildId: string; kit: Kit; codes: CodeRecord[] }) {
  const { text, pick, problem, submit } = useRecordForm(finishRecord.fields, KIT_ITEMS.finish, {
    asks: { name: 'Name it as you would say it: cream, chassis black.' },
    check: ({ name }) =>
      kit.finishes.some((finish) => finish.name.toLowerCase() === name.toLowerCase())
        ? { name: `There is a finish “${name}” already.` }
        : {},
  });
  return (
    <form
      className="fieldgrid mt8"

      onSubmit={submit(
        (value) =>
          changeKit(buildId, [{ kind: 'finish', id: newId(buildId), value }], `finish ${value.name}`),
        ['name', 'codeId'],
      )}
    >
      <TextInput size="xs" className="wide" label="New finish" placeholder="cream" {...text('name')} />
      <Select size="xs" label="Look" data={[...LOOKS]} {...pick('look')} />
      <Select
        size="xs"
        label="Factory code"
        placeholder="none"
        clearable
        searchable
        limit={20}
        data={codes.map(({ id, code, name }) => ({ value: id, label: `${code} ${name}` }))}
        {...pick('codeId')}
      />
      <Button type="submit" fullWidth>
        Add the finish
      </Button>
      {problem}
    </form>
  );
}
