import { Button, Group, Modal, Table } from '@mantine/core';
import type { BuildStanding, CopyPreview } from '../../../../api/index.ts';
import { whenText } from '../../../components/time.ts';
import { sizeText } from './CopiesKept.tsx';

const STANDINGS: Readonly<Record<BuildStanding, string>> = {
  same: 'the same',
  differs: 'becomes as it was there',
  'only there': 'comes back',
  'only here': 'would be gone',
};

interface RestorePreviewProps {
  preview: CopyPreview | null;
  busy: boolean;
  onRestore: (id: string) => void;
  onLeave: () => void;
}

/** What a backup holds beside what is here, before anything is changed. */
export function RestorePreview({ preview, busy, onRestore, onLeave }: RestorePreviewProps) {
  return (
    <Modal opened={preview !== null} onClose={onLeave} title="What this backup would change" size="lg">
      {preview && (
        <>
          <p>
            {preview.madeAt === null ? 'When it was made is not known' : `Made ${whenText(preview.madeAt)}`}
            {preview.writtenBy === null ? '' : ` by Fanfare ${preview.writtenBy}`},{' '}
            {sizeText(preview.copy.bytes)}.{' '}
            {preview.checked
              ? 'Its checksum agrees: it holds what it held then.'
              : 'It carries no checksum; its pages are whole.'}
          </p>
          <StepsLost at={preview.lastStepAt} />
          <Table className="plainlist" mt="sm" aria-label="Builds">
            <Table.Tbody>
              {preview.builds.map(({ name, standing }) => (
                <Table.Tr key={`${name} ${standing}`}>
                  <Table.Td>{name}</Table.Td>
                  <Table.Td>
                    {standing === 'only here' ? <b>{STANDINGS[standing]}</b> : STANDINGS[standing]}
                  </Table.Td>
                </Table.Tr>
              ))}
            </Table.Tbody>
          </Table>
          <Table className="plainlist" mt="sm" aria-label="Counts">
            <Table.Thead>
              <Table.Tr>
                <Table.Th>what</Table.Th>
                <Table.Th>in the backup</Table.Th>
                <Table.Th>here now</Table.Th>
                <Table.Th>changed</Table.Th>
              </Table.Tr>
            </Table.Thead>
            <Table.Tbody>
              {preview.counts.map(({ what, there, here, differ }) => (
                <Table.Tr key={what}>
                  <Table.Td>{what}</Table.Td>
                  <Table.Td className="mono">{there}</Table.Td>
                  <Table.Td className="mono">{there === here ? here : <b>{here}</b>}</Table.Td>
                  <Table.Td className="mono">
                    {differ !== null && (differ > 0 ? <b>{differ}</b> : 'none')}
                  </Table.Td>
                </Table.Tr>
              ))}
            </Table.Tbody>
          </Table>
          <p className="small mt8">
            The whole bench becomes as it was there: builds, kits, plan, shelf, codes, log and settings. What
            is here now is copied first; one press takes the restore back.
          </p>
          <Group mt="md">
            <Button loading={busy} onClick={() => onRestore(preview.copy.id)}>
              Restore it
            </Button>
            <Button variant="default" onClick={onLeave} data-autofocus>
              Keep what is here
            </Button>
          </Group>
        </>
      )}
    </Modal>
  );
}

/** The last ticked step there and here: what would be gone from the log. */
function StepsLost({ at: { there, here } }: { at: CopyPreview['lastStepAt'] }) {
  if (here === null || (there !== null && there >= here)) return null;
  return (
    <p role="note">
      The last step ticked here is of {whenText(here)}; there{' '}
      {there === null ? 'none is ticked' : `it is of ${whenText(there)}`}. What was done between would be
      gone.
    </p>
  );
}
