import type { ReactNode } from 'react';
import { figure } from '../../../core/figures.ts';
import { formatMinutes } from '../../../core/finish/index.ts';
import { counted, type LiveryArea, type LiveryView } from '../../../core/kit/index.ts';
import {
  PRIMER,
  surfaceOf,
  takenByOrder,
  USUAL_TAPE_HOURS,
  type ColourPlan,
  type ColourStage,
  type LiveryAnswer,
  type LiveryFinish,
} from '../../../core/livery/index.ts';
import { Why } from '../../components/Why.tsx';
import { NarrowAreas } from './NarrowAreas.tsx';
import { StagePicture } from './StagePicture.tsx';

interface OrderOfColoursProps {
  /** What is painted as one, and the views that show it. */
  name: string;
  views: readonly LiveryView[];
  /** Undefined while it is worked out. */
  answer: LiveryAnswer | undefined;
  finishes: readonly LiveryFinish[];
  areas: readonly LiveryArea[];
  hexOf: (finishId: string | null) => string;
  children?: ReactNode;
}

/** The order of colours of one body, as a strip of its stages. */
export function OrderOfColours({
  name,
  views,
  answer,
  finishes,
  areas,
  hexOf,
  children,
}: OrderOfColoursProps) {
  const nameOf = (id: string) =>
    id === PRIMER ? 'primer' : (finishes.find((each) => each.id === id)?.name ?? id);
  return (
    <section className="panel" aria-label={name}>
      <h3>
        {name}{' '}
        <Why about="the order of colours">
          Every order and every way of bringing a colour on is compared, in minutes of hands: masking the
          edges by their length and curve, covering what is done, coats and undercoat over what lies there,
          filling and cleaning the tool. A mask stays on as long as tape may stay on paint; each colour is
          waited for {USUAL_TAPE_HOURS} h before tape. How well a paint hides is taken as middling where only
          its colour is known.
        </Why>
      </h3>
      {answer?.unknown.map((words) => (
        <p key={words} className="small finding warn">
          {words}
        </p>
      ))}
      {answer?.plan && (
        <>
          <ol className="stages">
            {answer.plan.stages.map((stage, at) => (
              <li key={stage.colour}>
                <StagePicture
                  views={views}
                  measured={answer.measured}
                  masked={answer.plan!.stages.slice(0, at).map(({ colour }) => colour)}
                  colour={stage.colour}
                  hexOf={hexOf}
                  label={`Stage ${at + 1}: ${nameOf(stage.colour)}`}
                />
                <Stage at={at} stage={stage} nameOf={nameOf} />
              </li>
            ))}
          </ol>
          <ByHand plan={answer.plan} nameOf={nameOf} />
          <Taken plan={answer.plan} measured={answer.measured} />
        </>
      )}
      <NarrowAreas
        narrow={answer?.narrow ?? []}
        nameOf={({ areaId, finishId }) =>
          `${areas.find(({ id }) => id === areaId)?.name ?? 'an area'}, ${nameOf(finishId).toLowerCase()}`
        }
      />
      {children}
    </section>
  );
}

interface StageProps {
  at: number;
  stage: ColourStage;
  nameOf: (id: string) => string;
}

function Stage({ at, stage, nameOf }: StageProps) {
  const { colour, over, coats, undercoat, guessed, waitHours, mask, coverCm2, renewals, minutes } = stage;
  return (
    <>
      <p>
        <b>
          {at + 1}. {nameOf(colour)}
        </b>{' '}
        <span className="mono small">{formatMinutes(minutes)} of hands</span>
      </p>
      <p className="small">
        {undercoat && 'White undercoat, then '}
        {counted(coats, 'coat')} over {nameOf(over).toLowerCase()}
        {guessed && ' (a guess: its colour, or what is under it, is not known)'}.
      </p>
      {mask.map(({ border, lengthMm, kind }) => (
        <p key={`${border} ${kind}`} className="small">
          Then mask towards {nameOf(border).toLowerCase()}: {kind}, {figure(lengthMm, 'mm', 0)}.
        </p>
      ))}
      {coverCm2 > 0 && (
        <p className="small soft">
          Wait {waitHours} h before tape; cover {figure(coverCm2, 'cm²', 1)}
          {renewals > 1 &&
            `, and lay the mask anew ${counted(renewals - 1, 'time')}: tape may not stay so long`}
          .
        </p>
      )}
    </>
  );
}

/** Tape, film and foil to have at hand. */
function Taken({ plan, measured }: { plan: ColourPlan; measured: LiveryAnswer['measured'] }) {
  const surface = surfaceOf(measured.map((each) => each.measured));
  const { edges, coverCm2, foilCm2 } = takenByOrder(plan, (colour) => surface.get(colour) ?? 0);
  const words = [
    ...edges.map(({ kind, lengthMm }) => `${kind} ${figure(lengthMm, 'mm', 0)}`),
    ...(coverCm2 > 0 ? [`film or wide tape ${figure(coverCm2, 'cm²', 0)}`] : []),
    ...(foilCm2 > 0 ? [`foil ${figure(foilCm2, 'cm²', 1)}, offcuts and all`] : []),
  ];
  return words.length === 0 ? null : <p className="small soft">To have at hand: {words.join(', ')}.</p>;
}

function ByHand({ plan, nameOf }: { plan: ColourPlan; nameOf: (id: string) => string }) {
  return (
    <>
      {plan.byHand.map(({ colour, way, minutes }) => (
        <p key={colour} className="small">
          <b>At the end, {way}:</b> {nameOf(colour)}, {formatMinutes(minutes)}.
        </p>
      ))}
      {plan.otherWay.flatMap(({ colour, way, more }) =>
        more === null
          ? []
          : [
              <p key={colour} className="small soft">
                {nameOf(colour)} by {way} instead: {formatMinutes(more)} more.
              </p>,
            ],
      )}
      <p className="small">
        Together <span className="mono">{formatMinutes(plan.minutes)}</span> of hands; no other order takes
        less.
      </p>
    </>
  );
}
