import { Button, UnstyledButton } from '@mantine/core';
import { IconAlertTriangle, IconHandStop, IconInfoCircle, IconShieldExclamation } from '@tabler/icons-react';
import type { Finding } from '../../core/finish/index.ts';
import { useState } from 'react';
import { Why } from './Why.tsx';

const MARKS = {
  stop: { Icon: IconHandStop, word: 'Stop' },
  warn: { Icon: IconAlertTriangle, word: 'Warning' },
  caution: { Icon: IconShieldExclamation, word: 'Safety' },
  note: { Icon: IconInfoCircle, word: 'Note' },
} as const;

/** Rules broken or at risk, each with its reason and its way out. */
export function FindingList({
  findings,
  onMute,
}: {
  findings: readonly Finding[];
  /** Silences the rule on that layer; absent where nothing can be silenced. */
  onMute?: (finding: Finding, note: string) => void;
}) {
  return (
    <>
      {findings.map((finding) => {
        const { Icon, word } = MARKS[finding.severity];
        return (
          <div key={finding.ruleId + finding.layerId} className={`finding ${finding.severity}`}>
            <b>
              <Icon size={17} aria-hidden /> {finding.title}
            </b>
            <p>{finding.reason}</p>
            <p className="soft">
              {finding.remedy}{' '}
              <Why about={finding.title}>
                <b>{word}</b>: rule “{finding.ruleId}”.
                <br />
                Source: {finding.source}.
              </Why>
            </p>
            {onMute && finding.severity !== 'caution' && (
              <MuteRule title={finding.title} onMute={(note) => onMute(finding, note)} />
            )}
          </div>
        );
      })}
    </>
  );
}

/** A rule is silenced with a reason, never without. */
function MuteRule({ title, onMute }: { title: string; onMute: (note: string) => void }) {
  const [open, setOpen] = useState(false);
  const [note, setNote] = useState('');
  if (!open) {
    return (
      <UnstyledButton className="why small" onClick={() => setOpen(true)}>
        silence here…
      </UnstyledButton>
    );
  }
  return (
    <form
      style={{ display: 'flex', gap: 6, marginTop: 4 }}
      onSubmit={(event) => {
        event.preventDefault();
        if (note.trim()) onMute(note.trim());
      }}
    >
      <input
        autoFocus
        className="textline"
        aria-label={`Why “${title}” does not matter here`}
        placeholder="why it does not matter here"
        maxLength={300}
        value={note}
        onChange={(event) => setNote(event.currentTarget.value)}
      />
      <Button type="submit" disabled={note.trim() === ''}>
        Silence
      </Button>
    </form>
  );
}
