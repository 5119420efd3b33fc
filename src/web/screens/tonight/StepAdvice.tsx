import { UnstyledButton } from '@mantine/core';
import { useEffect, useState } from 'react';
import type { Advice, AdviceTopic } from '../../../core/plan/index.ts';
import { counted } from '../../../core/kit/index.ts';
import { AdviceList } from '../../components/AdviceList.tsx';
import { isCommandKey } from '../../components/keys.ts';

const TOPIC_WORDS: Readonly<Record<AdviceTopic, string>> = {
  risk: 'remark',
  decided: 'decision',
  note: 'note',
  fit: 'fit',
  bare: 'face to leave bare',
  after: 'consequence',
  lesson: 'lesson',
};

interface StepAdviceProps {
  advice: readonly Advice[];
  muted: readonly { id: string; adviceId: string }[];
}

/** What stops the step and what warns, in full. */
export const LoudAdvice = ({ advice, muted }: StepAdviceProps) => (
  <div className="stepadvice">
    <AdviceList advice={advice.filter(({ severity }) => severity !== 'note')} muted={muted} />
  </div>
);

/** What else is said at a step: decisions, notes, fits, lessons; all of it one key away. */
export function QuietAdvice({ advice, muted }: StepAdviceProps) {
  const [all, setAll] = useState(false);
  const quiet = advice.filter(({ severity }) => severity === 'note');
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (isCommandKey(event) && !event.repeat && event.key.toLowerCase() === 'a') setAll((shown) => !shown);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
  const counts = (Object.keys(TOPIC_WORDS) as AdviceTopic[]).flatMap((topic) => {
    const of = quiet.filter((each) => each.topic === topic).length;
    return of > 0 ? [topic === 'bare' ? 'what to leave bare' : counted(of, TOPIC_WORDS[topic])] : [];
  });
  if (quiet.length === 0) return null;
  return (
    <div className="stepadvice">
      <UnstyledButton className="why" aria-expanded={all} onClick={() => setAll(!all)}>
        {all ? 'hide' : 'show'} {counts.join(', ')} <kbd>A</kbd>
      </UnstyledButton>
      {all && <AdviceList advice={quiet} muted={muted} />}
    </div>
  );
}
