import { IconAlertTriangle, IconHandStop, IconInfoCircle, IconShieldExclamation } from '@tabler/icons-react';
import type { Finding } from '../../core/finish/index.ts';
import { MuteForm } from './MuteForm.tsx';
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
              <MuteForm
                about={finding.title}
                offer="silence here"
                send="Silence"
                onMute={(note) => onMute(finding, note)}
              />
            )}
          </div>
        );
      })}
    </>
  );
}
