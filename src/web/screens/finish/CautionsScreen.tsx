import { hazard, HAZARDS } from '../../../core/finish/index.ts';
import { EmptyStage } from '../../components/EmptyStage.tsx';
import { Loading } from '../../components/Loading.tsx';
import { PrintedSheet } from '../../components/PrintedSheet.tsx';
import { usePlan } from '../../data/plan.tsx';
import { useBuildContext } from '../../data/buildContext.ts';

const STEPS_NAMED = 6;

/** Everything in one build that can hurt, with the steps that bring it, to print and pin up. */
export function CautionsScreen() {
  const { build, ready, error } = useBuildContext();
  const { view } = usePlan();
  if (!ready || !view) return <Loading what="the cautions" error={error} />;
  if (!build) return <Loading what="the build" error={new Error('There is no build at this address.')} />;
  const operations = view.operations.filter(({ buildId }) => buildId === build.id);
  const found = HAZARDS.map((id) => ({
    ...hazard(id),
    steps: operations.filter(({ hazards }) => hazards.includes(id)),
  })).filter(({ steps }) => steps.length > 0);
  if (found.length === 0) {
    return (
      <EmptyStage title="No caution yet" buildId={build.id}>
        Once the build has steps, whatever in them can hurt is gathered here.
      </EmptyStage>
    );
  }
  return (
    <PrintedSheet
      label="Cautions"
      back={{ to: `/build/${build.id}/finish`, words: 'back to the stacks' }}
      printWords="Print this page"
    >
      <div className="stacked g16">
        <header>
          <p>{build.name}</p>
          <h2>What can hurt</h2>
          <p>
            A reminder, no substitute: the safety sheet of each product and the rules of your place always
            decide. Label every container; waste goes where local rules say.
          </p>
        </header>
        {found.map(({ id, title, harm, protection, ventilation, never, firstAid, steps }) => (
          <article key={id} aria-label={title}>
            <h3>{title}</h3>
            <p>{harm}</p>
            <dl className="rows">
              <dt>Wear</dt>
              <dd className="left">{protection}</dd>
              {ventilation && (
                <>
                  <dt>Air</dt>
                  <dd className="left">{ventilation}</dd>
                </>
              )}
              <dt>Never</dt>
              <dd className="left">
                <b>{never}</b>
              </dd>
              <dt>First aid</dt>
              <dd className="left">{firstAid}</dd>
            </dl>
            <p className="small soft">
              In {steps.length} {steps.length === 1 ? 'step' : 'steps'}:{' '}
              {steps
                .slice(0, STEPS_NAMED)
                .map((step) => step.title)
                .join('; ')}
              {steps.length > STEPS_NAMED ? `; and ${steps.length - STEPS_NAMED} more` : ''}.
            </p>
          </article>
        ))}
      </div>
    </PrintedSheet>
  );
}
