import type { PlanContribution } from '../contribution.ts';
import { aims } from './aims.ts';
import { air } from './air.ts';
import { brightwork } from './brightwork.ts';
import { closing } from './closing.ts';
import { cloth } from './cloth.ts';
import { comesBack } from './comesBack.ts';
import { corners } from './corners.ts';
import { cutting } from './cutList.ts';
import { decisions } from './decisions.ts';
import { effects } from './effects.ts';
import { engines } from './engines.ts';
import { fineDetail } from './fineDetail.ts';
import { finals } from './finals.ts';
import { fits } from './fits.ts';
import { gaps } from './gaps.ts';
import { harnesses } from './harnesses.ts';
import { holding } from './holding.ts';
import { inspections } from './inspections.ts';
import { joins } from './joins.ts';
import { learnt } from './learnt.ts';
import { leftOutSteps } from './leftOutSteps.ts';
import { livery } from './livery.ts';
import { markings } from './markings.ts';
import { milestones } from './milestones.ts';
import { pairs } from './pairs.ts';
import { panes } from './panes.ts';
import { panels } from './panels.ts';
import { parts } from './parts.ts';
import { plating } from './plating.ts';
import { preparation } from './preparation.ts';
import { runs } from './runs.ts';
import { seen } from './seen.ts';
import { seats } from './seats.ts';
import { sheet } from './sheet.ts';
import { smallThings } from './smallThings.ts';
import { stance } from './stance.ts';
import { stacks } from './stacks.ts';
import { stretches } from './stretches.ts';
import { wants } from './wants.ts';
import { works } from './works.ts';

/** Everything that gives steps, needs and words to the plan. What is said of one moment is said in this order. */
export const CONTRIBUTIONS: readonly PlanContribution[] = [
  air,
  stacks,
  livery,
  markings,
  joins,
  fits,
  gaps,
  works,
  sheet,
  parts,
  pairs,
  holding,
  preparation,
  comesBack,
  plating,
  brightwork,
  engines,
  runs,
  harnesses,
  fineDetail,
  panels,
  panes,
  cloth,
  seats,
  effects,
  smallThings,
  stretches,
  corners,
  cutting,
  seen,
  leftOutSteps,
  wants,
  closing,
  stance,
  finals,
  inspections,
  milestones,
  decisions,
  aims,
  learnt,
];
