import { UnstyledButton } from '@mantine/core';
import { IconAlertTriangle, IconCircleCheck, IconHandStop, IconInfoCircle } from '@tabler/icons-react';
import { Link } from 'react-router';
import type { Advice } from '../../core/plan/index.ts';
import { changeKit } from '../data/kit.ts';
import { newId } from '../data/newId.ts';
import { MuteForm } from './MuteForm.tsx';
import { Why } from './Why.tsx';

const MARKS = {
  stop: { Icon: IconHandStop, word: 'Stop' },
  warn: { Icon: IconAlertTriangle, word: 'Warning' },
  note: { Icon: IconInfoCircle, word: 'Note' },
} as const;

const STAGE_WORDS: Readonly<Record<Advice['stage'], string>> = {
  kit: 'in the Kit stage',
  colour: 'in the Colour stage',
  livery: 'in the Livery stage',
  finish: 'in the Finish stage',
  detail: 'in the Detail stage',
  plan: 'in the Plan',
  record: 'under Record',
  shelf: 'on the shelf',
  bench: 'on the Bench screen',
};

/** Where something is settled: its address, and in words. */
function placeOf({ buildId, stage, page, about }: Advice): { to: string; words: string } {
  const words = STAGE_WORDS[stage];
  if (stage === 'shelf' || stage === 'bench') return { to: `/${stage}`, words };
  const tray = stage === 'finish' || stage === 'colour' ? about.trays[0] : undefined;
  return {
    to: ['', 'build', buildId, stage, page ?? tray].filter((each) => each !== undefined).join('/'),
    words,
  };
}

interface AdviceListProps {
  advice: readonly Advice[];
  /** What the builder muted in the build, so that it can be heard again. */
  muted: readonly { id: string; adviceId: string }[];
  /** Shown beside each, such as the step that it is about. */
  beside?: (advice: Advice) => React.ReactNode;
}

/** What there is to say, each with its reason, its way out, the place where it is settled, and for what stops or warns a
 *  way to go on all the same. */
export function AdviceList({ advice, muted, beside }: AdviceListProps) {
  return (
    <>
      {advice.map((each) => {
        const { id, rule, severity, text, why, remedy, source, settledBy } = each;
        const { Icon, word } =
          settledBy === undefined ? MARKS[severity] : { Icon: IconCircleCheck, word: 'Settled' };
        const { to, words } = placeOf(each);
        const mute = muted.find(({ adviceId }) => adviceId === id);
        return (
          <div
            key={id}
            className={`finding ${severity}`}
            data-rule={rule}
            role={severity === 'stop' ? 'alert' : undefined}
          >
            <b>
              <Icon size={17} aria-label={`${word}:`} /> {text}
            </b>
            <p>
              {why}
              {settledBy !== undefined && <b> Settled: {settledBy}.</b>}
            </p>
            {remedy && settledBy === undefined && <p className="soft">{remedy}</p>}
            <div className="acts">
              {beside?.(each)}
              {severity !== 'note' && <Link to={to}>settle it {words}</Link>}
              <Why about={text}>
                <b>{word}</b>: rule “{rule}”.
                <br />
                Source: {source}.
              </Why>
              {severity !== 'note' && (
                <MuteForm
                  about={text}
                  offer={severity === 'stop' ? 'go on all the same' : 'silence this'}
                  send={severity === 'stop' ? 'Go on' : 'Silence'}
                  onMute={(note) => muteAdvice(each, note)}
                />
              )}
              {mute && (
                <UnstyledButton className="why small" onClick={() => hearAgain(each, mute.id)}>
                  warn of it again
                </UnstyledButton>
              )}
            </div>
          </div>
        );
      })}
    </>
  );
}

const muteAdvice = ({ buildId, id: adviceId, text }: Advice, note: string) => {
  const id = newId(buildId);
  void changeKit(
    buildId,
    [{ kind: 'muted-advice', id, value: { id, adviceId, note } }],
    `silenced: ${text}`,
  ).catch(() => undefined);
};

const hearAgain = ({ buildId, text }: Advice, id: string) =>
  void changeKit(buildId, [{ kind: 'muted-advice', id, value: null }], `heard again: ${text}`).catch(
    () => undefined,
  );
