import { Button, FileButton, Group, Modal } from '@mantine/core';
import { useState } from 'react';
import { PATHS } from '../../../api/index.ts';
import { restoreBackup, signOut } from '../../data/file.ts';

/** The data file as a whole: a backup to take away, one to go back to, and the door. */
export function BackupPanel({ guarded, readOnly }: { guarded: boolean; readOnly: boolean }) {
  const [file, setFile] = useState<File | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const restore = async (chosen: File) => {
    setBusy(true);
    try {
      const kept = await restoreBackup(chosen);
      setSaid(`Restored ${chosen.name}. What was here before is kept beside the data: ${kept}`);
    } catch (error) {
      setSaid((error as Error).message);
    } finally {
      setBusy(false);
      setFile(null);
    }
  };
  return (
    <div className="panel">
      <h3>Backup</h3>
      <p className="small">Everything, as one file, to keep on another disk.</p>
      <Group gap={10} mt={8}>
        <a className="quiet" href={PATHS.backup} download>
          Save a backup
        </a>
        <FileButton onChange={setFile} inputProps={{ 'aria-label': 'Backup to restore' }}>
          {(props) => (
            <Button disabled={readOnly || busy} {...props}>
              {busy ? 'Restoring…' : 'Restore a backup'}
            </Button>
          )}
        </FileButton>
      </Group>
      {said && (
        <p className="small" role="status" style={{ marginTop: 8, overflowWrap: 'anywhere' }}>
          {said}
        </p>
      )}
      {guarded && (
        <Button className="mt12" onClick={() => void signOut()}>
          Sign out of this bench
        </Button>
      )}
      <Modal opened={file !== null} onClose={() => setFile(null)} title={`Restore ${file?.name ?? ''}?`}>
        <p>
          The whole bench becomes as it was in that backup: builds, kits, plan, shelf, codes and log. What is
          here now is copied beside the data first, so that you can go back to it.
        </p>
        <Group mt="md">
          <Button loading={busy} onClick={() => file && void restore(file)}>
            Restore it
          </Button>
          <Button variant="default" onClick={() => setFile(null)} data-autofocus>
            Keep what is here
          </Button>
        </Group>
      </Modal>
    </div>
  );
}
