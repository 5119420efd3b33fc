import { Button, Group, NumberInput, Table, VisuallyHidden } from '@mantine/core';
import { COPY_LIMITS, type CopyKind, type CopyList, type CopyPlan } from '../../../../api/index.ts';
import { RemoveButton } from '../../../components/RemoveButton.tsx';
import { whenText } from '../../../components/time.ts';
import { makeCopy, removeCopy } from '../../../data/file.ts';

const MADE: Readonly<Record<CopyKind, string>> = {
  scheduled: 'by itself',
  pressed: 'at a press',
  'before-restore': 'before a restore',
  sent: 'looked at',
};

/** "0.4 MB", "312 MB". */
export const sizeText = (bytes: number): string => {
  const mb = bytes / 1e6;
  return `${mb >= 10 ? Math.round(mb) : Math.max(0.1, Number(mb.toFixed(1)))} MB`;
};

interface CopiesKeptProps {
  list: CopyList;
  plan: CopyPlan;
  busy: boolean;
  readOnly: boolean;
  onPlan: (plan: CopyPlan) => void;
  onLook: (id: string) => void;
  onAttempt: (work: () => Promise<string | null>) => Promise<void>;
}

/** The copies that Fanfare makes by itself: how often, how many, and what there is. */
export function CopiesKept({ list, plan, busy, readOnly, onPlan, onLook, onAttempt }: CopiesKeptProps) {
  if (list.folder === null)
    return <p className="small mt8">This bench lies in memory alone: no copies are made of it.</p>;
  const copies = list.copies.filter(({ kind }) => kind !== 'sent');
  return (
    <section aria-label="Copies made by themselves" className="mt12">
      <h4>Copies made by themselves</h4>
      <Group gap={10} align="end" mt={4}>
        <NumberInput
          label="Every"
          suffix={plan.everyDays === 1 ? ' day' : ' days'}
          w={110}
          {...COPY_LIMITS.everyDays}
          value={plan.everyDays}
          onBlur={({ currentTarget: { value } }) => {
            const everyDays = Number.parseInt(value, 10);
            if (Number.isInteger(everyDays) && everyDays !== plan.everyDays) onPlan({ ...plan, everyDays });
          }}
        />
        <NumberInput
          label="Newest kept"
          w={110}
          {...COPY_LIMITS.keep}
          value={plan.keep}
          onBlur={({ currentTarget: { value } }) => {
            const keep = Number.parseInt(value, 10);
            if (Number.isInteger(keep) && keep !== plan.keep) onPlan({ ...plan, keep });
          }}
        />
        <Button
          variant="default"
          disabled={readOnly || busy}
          onClick={() =>
            void onAttempt(async () => {
              await makeCopy();
              return 'A copy was made and read through: it is whole.';
            })
          }
        >
          Make a copy now
        </Button>
      </Group>
      <p className="small soft mt6 breaks">
        {plan.everyDays === 0
          ? 'None is made by itself. '
          : 'Each is read through before it counts; none is made where nothing changed. '}
        They lie in {list.folder}. On the same disk they help against a mistake, not against a broken disk.
      </p>
      {copies.length > 0 && (
        <Table className="plainlist" aria-label="Copies">
          <Table.Thead>
            <Table.Tr>
              <Table.Th>of</Table.Th>
              <Table.Th>made</Table.Th>
              <Table.Th>size</Table.Th>
              <Table.Th>
                <VisuallyHidden>what can be done</VisuallyHidden>
              </Table.Th>
            </Table.Tr>
          </Table.Thead>
          <Table.Tbody>
            {copies.map(({ id, kind, at, bytes }) => (
              <Table.Tr key={id}>
                <Table.Td className="mono">{whenText(at)}</Table.Td>
                <Table.Td>{MADE[kind]}</Table.Td>
                <Table.Td className="mono">{sizeText(bytes)}</Table.Td>
                <Table.Td className="right">
                  <Group gap={10} justify="flex-end" wrap="nowrap">
                    <Button
                      size="compact-xs"
                      variant="default"
                      disabled={busy}
                      aria-label={`Look at it: the copy of ${whenText(at)}`}
                      onClick={() => onLook(id)}
                    >
                      Look at it
                    </Button>
                    <RemoveButton
                      name={`Remove the copy of ${whenText(at)}`}
                      onRemove={() =>
                        void onAttempt(async () => {
                          await removeCopy(id);
                          return null;
                        })
                      }
                    />
                  </Group>
                </Table.Td>
              </Table.Tr>
            ))}
          </Table.Tbody>
        </Table>
      )}
    </section>
  );
}
