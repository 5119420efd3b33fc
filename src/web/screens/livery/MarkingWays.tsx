import { Button } from '@mantine/core';
import type { IlluminantId } from '../../../core/colour/index.ts';
import { formatMinutes } from '../../../core/finish/index.ts';
import type { Kit, MarkingRoute } from '../../../core/kit/index.ts';
import {
  AGAINST_MINUTES,
  isPrinted,
  markingRoutes,
  softenerFor,
  type MarkingFacts,
} from '../../../core/livery/index.ts';
import type { AdviceDraft } from '../../../core/plan/index.ts';
import { Why } from '../../components/Why.tsx';
import { PrintLook } from './PrintLook.tsx';
import type { DrawnMarking } from '../../workers/liveryWorker.ts';

export const ROUTE_WORDS: Readonly<Record<MarkingRoute, string>> = {
  decal: 'the kit’s decal',
  print: 'own print',
  paint: 'mask and paint',
  foil: 'foil',
  transfer: 'dry transfer',
  paper: 'paper or card',
};

interface MarkingWaysProps {
  placed: DrawnMarking;
  kit: Kit;
  facts: MarkingFacts;
  light: IlluminantId;
  /** What the plan says of it. */
  said: readonly Pick<AdviceDraft, 'rule' | 'severity' | 'text' | 'why' | 'remedy'>[];
  onTake: (route: MarkingRoute) => void;
}

const share = (each: number) => `${Math.round(100 * each)} %`;

/** Every way of bringing a marking on, with its minutes and what speaks against it, and what it lies on. */
export function MarkingWays({ placed, kit, facts, light, said, onTake }: MarkingWaysProps) {
  const { marking, on, under, over, drawn } = placed;
  const offers = markingRoutes(marking, facts);
  const name = (id: string) => kit.parts.find((each) => each.id === id)?.name ?? 'a part that is gone';
  const finish = (id: string) => kit.finishes.find((each) => each.id === id)?.name ?? 'a finish that is gone';
  return (
    <>
      <div className="panel">
        <h3>
          Ways to bring it on{' '}
          <Why about="the ways of bringing a marking on">
            Minutes of hands: cutting, wetting, placing and pressing each one, more where the film has to
            stretch or is old; for own prints the artwork and the printing; for paint the mask by the length
            of its edge. Each thing that speaks against a way counts as {AGAINST_MINUTES} minutes that it may
            bring.
          </Why>
        </h3>
        <ul className="ways">
          {offers.map(({ route, minutes, against, why }, at) => (
            <li key={route}>
              <b>{ROUTE_WORDS[route]}</b> <span className="mono small">{formatMinutes(minutes)}</span>
              <span className="small soft"> {why}</span>
              {against.map((words) => (
                <span key={words} className="small finding warn">
                  {words}
                </span>
              ))}
              {route === marking.route ? (
                <p className="small">Taken.</p>
              ) : (
                <Button
                  size="compact-xs"
                  variant={at === 0 && marking.route === null ? 'action' : 'default'}
                  onClick={() => onTake(route)}
                >
                  Take {ROUTE_WORDS[route]}
                </Button>
              )}
            </li>
          ))}
        </ul>
        {marking.route !== null && !offers.some(({ route }) => route === marking.route) && (
          <p className="small">Taken: {ROUTE_WORDS[marking.route]}.</p>
        )}
      </div>
      {isPrinted(marking) || marking.route === 'decal' ? <PrintLook facts={facts} light={light} /> : null}
      {said.length > 0 && (
        <div className="panel">
          <h3>At the step</h3>
          {said.map(({ rule, severity, text, why, remedy }) => (
            <div key={rule} className={severity === 'note' ? undefined : 'finding warn'}>
              <p className="small">
                <b>{text}</b>
              </p>
              <p className="small">{why}</p>
              {remedy && <p className="small soft">{remedy}</p>}
            </div>
          ))}
        </div>
      )}
      <div className="panel">
        <h3>What it lies on</h3>
        {on.length === 0 && <p className="small">Not known: put it on a view, or name its part.</p>}
        {on.map(({ partId, share: of }) => (
          <p key={partId} className="small">
            {name(partId)}: {share(of)}
          </p>
        ))}
        {under.map(({ finishId, share: of }) => (
          <p key={finishId} className="small soft">
            {finish(finishId)}: {share(of)}
          </p>
        ))}
        {over.length > 0 && (
          <p className="small">
            Over {over.map((id) => kit.markings.find((each) => each.id === id)?.name ?? '').join(', ')}: that
            goes on first.
          </p>
        )}
        {marking.route !== 'paint' && <p className="small">Softener: {softenerFor(marking)}.</p>}
        {drawn.tooFine.map((words) => (
          <p key={words} className="small finding warn">
            {words}
          </p>
        ))}
      </div>
    </>
  );
}
