import { Button, FileButton, Group } from '@mantine/core';
import { useState } from 'react';
import { DEFAULT_COPIES, PATHS, type CopyPreview, type SettingsRecord } from '../../../../api/index.ts';
import { whenText } from '../../../components/time.ts';
import { previewCopy, removeCopy, restoreCopy, sendCopy, signOut, useCopies } from '../../../data/file.ts';
import { CopiesKept } from './CopiesKept.tsx';
import { RestorePreview } from './RestorePreview.tsx';

interface BackupPanelProps {
  guarded: boolean;
  readOnly: boolean;
  preferences: SettingsRecord['preferences'];
  savedAt: number | null;
  onSave: (preferences: SettingsRecord['preferences'], label: string) => void;
}

/** The data file as a whole: a backup to take away, copies made by themselves, one to go back to, and the door. */
export function BackupPanel({ guarded, readOnly, preferences, savedAt, onSave }: BackupPanelProps) {
  const { data: list } = useCopies();
  const [preview, setPreview] = useState<CopyPreview | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const attempt = async (work: () => Promise<string | null>) => {
    setBusy(true);
    setSaid(null);
    try {
      setSaid(await work());
    } catch (error) {
      setSaid((error as Error).message);
    } finally {
      setBusy(false);
    }
  };
  const look = (id: string) =>
    void attempt(async () => {
      setPreview(await previewCopy(id));
      return null;
    });
  const send = (file: File | null) => {
    if (!file) return;
    void attempt(async () => {
      const { id } = await sendCopy(file);
      setPreview(await previewCopy(id));
      return null;
    });
  };
  const leave = () => {
    if (preview?.copy.kind === 'sent') void removeCopy(preview.copy.id).catch(() => undefined);
    setPreview(null);
  };
  const restore = (id: string, words: string) =>
    void attempt(async () => {
      await restoreCopy(id);
      setPreview(null);
      return words;
    });
  const restored = list?.restored;
  return (
    <div className="panel">
      <h3>Backup</h3>
      <p className="small">
        Everything, as one file, to keep on another disk.{' '}
        {savedAt === null ? 'None was saved yet.' : `The last was saved ${whenText(savedAt)}.`}
      </p>
      <Group gap={10} mt={8}>
        <a className="quiet" href={PATHS.backup} download>
          Save a backup
        </a>
        <FileButton onChange={send} inputProps={{ 'aria-label': 'Backup to look at' }}>
          {(props) => (
            <Button variant="default" disabled={readOnly || busy || list?.folder === null} {...props}>
              {busy ? 'Working…' : 'Look at a backup to restore'}
            </Button>
          )}
        </FileButton>
      </Group>
      {said && (
        <p className="small mt8 breaks" role="status">
          {said}
        </p>
      )}
      {restored && (
        <div className="mt8">
          <p className="small">
            On {whenText(restored.at)} the bench was restored
            {restored.madeAt === null ? '' : ` to a backup of ${whenText(restored.madeAt)}`}. What was here
            before is kept.
          </p>
          <Button
            variant="default"
            mt={6}
            loading={busy}
            disabled={readOnly}
            onClick={() => restore(restored.keptId, 'The restore was taken back.')}
          >
            Take the restore back
          </Button>
        </div>
      )}
      {list && (
        <CopiesKept
          list={list}
          plan={preferences.copies ?? DEFAULT_COPIES}
          busy={busy}
          readOnly={readOnly}
          onPlan={(copies) => onSave({ ...preferences, copies }, 'schedule of copies')}
          onLook={look}
          onAttempt={attempt}
        />
      )}
      {guarded && (
        <Button className="mt12" onClick={() => void signOut()}>
          Sign out of this bench
        </Button>
      )}
      <RestorePreview
        preview={preview}
        busy={busy}
        onRestore={(id) => restore(id, 'Restored. “Take the restore back” brings back what was here.')}
        onLeave={leave}
      />
    </div>
  );
}
