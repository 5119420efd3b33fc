import type { Severity } from '../../finish/index.ts';
import type { PlanOperation } from '../operation.ts';
import type { TaskKind } from '../tasks.ts';

/** stop: holds its steps until it is settled; warn: likely to spoil something; note: worth knowing there. */
export type AdviceSeverity = Exclude<Severity, 'caution'>;

/** What kind of word it is, in the order in which a card tells what neither stops nor warns. */
export const ADVICE_TOPICS = ['risk', 'decided', 'note', 'fit', 'bare', 'after', 'lesson'] as const;
export type AdviceTopic = (typeof ADVICE_TOPICS)[number];

/** Where it is settled. */
export type AdviceStage =
  'kit' | 'colour' | 'livery' | 'finish' | 'detail' | 'plan' | 'record' | 'shelf' | 'bench';

/** What it is about, by id; what is not named is not meant. */
export interface AdviceAbout {
  trays: string[];
  parts: string[];
  joints: string[];
  layers: string[];
  taskKinds: TaskKind[];
  /** Steps still to come on whose card it stands. */
  steps: string[];
}

/** One thing that Fanfare has to say about a build. */
export interface Advice {
  /** The same in every plan of the bench: what is muted stays so. */
  id: string;
  buildId: string;
  rule: string;
  severity: AdviceSeverity;
  topic: AdviceTopic;
  about: AdviceAbout;
  text: string;
  why: string;
  remedy: string;
  source: string;
  stage: AdviceStage;
  /** Page of that stage on which it is settled, where that is not the first. */
  page?: string;
  /** How it was settled, in the builder's words; absent while it is open. */
  settledBy?: string;
  /** When it is too late to heed it: the start of the first step that cannot be taken back, minutes since 1970; null
   *  where no step is planned. */
  at: number | null;
}

/** What a rule says, before it is dated. */
export type AdviceDraft = Pick<Advice, 'rule' | 'severity' | 'text' | 'why'> &
  Partial<Pick<Advice, 'remedy' | 'source' | 'topic' | 'page' | 'settledBy'>> & {
    /** Tells apart what one rule says of several things of a build. */
    subject: string;
    stage: AdviceStage;
    about?: Partial<Omit<AdviceAbout, 'steps'>>;
  };

/** Takes down what is to be said at some steps still to come, the one first that ends the chance to heed it; none where
 *  it is about the whole build. */
export type Advise = (steps: readonly PlanOperation[], draft: AdviceDraft) => void;

const PRACTICE = 'ordinary workshop practice; the product label wins';

/** What a rule says of one subject of a build, by id. */
export const adviceId = (buildId: string, rule: string, subject: string): string =>
  `${buildId} ${rule} ${subject}`.trim();

/** The draft as advice of a build. */
export function adviceFrom(
  buildId: string,
  draft: AdviceDraft,
  steps: readonly PlanOperation[] = [],
  startOf: (operation: PlanOperation) => number | undefined = () => undefined,
): Advice {
  const { subject, about = {}, remedy = '', source = PRACTICE, topic = 'risk', ...rest } = draft;
  const starts = steps.flatMap((step) => startOf(step) ?? []);
  return {
    ...rest,
    id: adviceId(buildId, rest.rule, subject),
    buildId,
    remedy,
    source,
    topic,
    about: {
      trays: [],
      parts: [],
      joints: [],
      layers: [],
      taskKinds: [],
      ...about,
      steps: steps.map(({ id }) => id),
    },
    at: starts.length > 0 ? Math.min(...starts) : null,
  };
}

/** What was muted, told as a decision. */
export const mutedWith = (advice: Advice, note: string): Advice => ({
  ...advice,
  severity: 'note',
  topic: 'decided',
  settledBy: note,
});

const SEVERITIES: readonly AdviceSeverity[] = ['stop', 'warn', 'note'];
const rank = ({ severity, topic }: Advice): number =>
  SEVERITIES.indexOf(severity) * ADVICE_TOPICS.length + ADVICE_TOPICS.indexOf(topic);

/** What stands on the card of a step: what stops, what warns, then the rest by its topic. */
export const adviceAt = (advice: readonly Advice[], operationId: string): Advice[] =>
  advice.filter(({ about }) => about.steps.includes(operationId)).sort((p, q) => rank(p) - rank(q));

/** What lies ahead of a build and is to be cleared, soonest first; what is about no step last. */
export const adviceAhead = (advice: readonly Advice[], buildId: string): Advice[] =>
  advice.filter(
    (each) => each.buildId === buildId && each.severity !== 'note' && each.settledBy === undefined,
  );

/** Soonest first. */
export const byDate = (p: Advice, q: Advice): number =>
  p.at === q.at ? rank(p) - rank(q) : (p.at ?? Infinity) - (q.at ?? Infinity);
