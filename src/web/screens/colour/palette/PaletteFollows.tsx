import { Button } from '@mantine/core';
import { figure } from '../../../../core/figures.ts';
import type { PaintRecord, TrayRecord } from '../../../../api/index.ts';
import { targetLayer } from '../../../../core/kit/index.ts';
import type { PaletteAnswer } from '../../../workers/planPaletteOf.ts';
import { Why } from '../../../components/Why.tsx';
import type { LiveryColour } from './paletteTargets.ts';

interface PaletteFollowsProps {
  answer: PaletteAnswer | undefined;
  colours: readonly LiveryColour[];
  paints: readonly PaintRecord[];
  poolName: string;
  trays: readonly TrayRecord[];
  onTake: () => void;
}

/** What a palette means: bottles, money, the worst colour; or what stands in the way. */
export function PaletteFollows({ answer, colours, paints, poolName, trays, onTake }: PaletteFollowsProps) {
  const nameOf = (id: string) => {
    const colour = colours.find((one) => one.id === id);
    return colour ? `${colour.label} ${colour.name}` : id;
  };
  const paint = (id: string) => paints.find((one) => one.id === id);
  return (
    <section className="column" aria-label="What follows">
      <h2>What follows</h2>
      {answer?.kind === 'planned' && (
        <Planned plan={answer.plan} paint={paint} nameOf={nameOf} trays={trays} onTake={onTake} />
      )}
      {answer?.kind === 'out-of-reach' && (
        <div className="panel warned">
          <h3>Out of reach from {poolName}</h3>
          {answer.colours.map(({ id, dE00, drops, missing }) => (
            <p key={id} style={{ marginBottom: 8 }}>
              <b>{nameOf(id)}</b>: the nearest mixture is <span className="mono">{figure(dE00, 'dE')}</span>{' '}
              off (
              {Object.entries(drops)
                .map(([paintId, count]) => `${count} ${paint(paintId)?.name ?? paintId}`)
                .join(' + ')}
              ). Missing: {missing}.
            </p>
          ))}
          <p className="soft small">
            Allow a larger difference, take everything instead of the shelf, or leave the colour out and match
            it alone.
          </p>
        </div>
      )}
      {answer?.kind === 'too-few-bottles' && (
        <div className="panel warned">
          <h3>Too few bottles</h3>
          <p>
            {answer.fewest === undefined
              ? 'The colours cannot be held with so few to buy. Allow more, or a larger difference.'
              : `These colours need at least ${answer.fewest} bottles. Allow that many, or a larger difference.`}
          </p>
        </div>
      )}
      {!answer && (
        <div className="panel">
          <p>Fanfare looks through every mixture of the paints on the left, then picks the bottles.</p>
        </div>
      )}
    </section>
  );
}

function Planned({
  plan,
  paint,
  nameOf,
  trays,
  onTake,
}: {
  plan: Extract<PaletteAnswer, { kind: 'planned' }>['plan'];
  paint: (id: string) => PaintRecord | undefined;
  nameOf: (id: string) => string;
  trays: readonly TrayRecord[];
  onTake: () => void;
}) {
  const worst = plan.recipes.reduce((most, one) => (one.dE00 > most.dE00 ? one : most));
  const shared = plan.bottles.filter((id) => plan.recipes.filter(({ drops }) => id in drops).length > 1);
  const touched = trays.filter(
    (tray) => targetLayer(tray.layers) && plan.recipes.some(({ colourId }) => colourId === tray.codeId),
  );
  return (
    <>
      <div className="panel">
        <dl className="rows">
          <dt>Bottles to open</dt>
          <dd className="mono">{plan.bottles.length}</dd>
          <dt>Of these shared</dt>
          <dd className="mono">{shared.length}</dd>
          <dt>
            Farthest off, {nameOf(worst.colourId)}{' '}
            <Why about="the palette's worst colour">
              CIEDE2000 in daylight between what is wanted and what the recipe gives when nothing under it
              shows. An integer programme picks one recipe for each colour and the bottles for them; no other
              choice among these paints does better at what you asked for.
            </Why>
          </dt>
          <dd className="mono">{figure(plan.worst, 'dE')}</dd>
        </dl>
      </div>
      <div className="panel">
        <h3>To buy</h3>
        {plan.bought.length === 0 ? (
          <p>Nothing: everything stands on the shelf.</p>
        ) : (
          <dl className="rows">
            {plan.bought.map((id) => (
              <div key={id} className="contents">
                <dt>
                  <span className="mono small">{id}</span> {paint(id)?.name}
                </dt>
                <dd className="mono">{figure(paint(id)?.priceCents ?? 0, 'euro')}</dd>
              </div>
            ))}
            <dt>
              <b>Together</b>
            </dt>
            <dd className="mono">{figure(plan.costCents, 'euro')}</dd>
          </dl>
        )}
      </div>
      {touched.length > 0 && (
        <Button variant="action" onClick={onTake}>
          Use for{' '}
          {touched.length === 1 ? touched[0]!.name.toLowerCase() : `all ${touched.length} sub-assemblies`}
        </Button>
      )}
    </>
  );
}
