import type { BuildRecord } from '../../../../api/index.ts';
import type { Kit } from '../../../../core/kit/index.ts';
import { missingPictureId, type PlanView } from '../../../../core/plan/index.ts';
import { duePictures } from '../../../../core/record/index.ts';
import { whenText } from '../../../components/time.ts';
import { doneIn } from '../doneIn.ts';
import { StepPicture } from '../../tonight/StepPictures.tsx';

/** Shown of what comes. */
const MOST_COMING = 5;

/** Pictures that were asked for and not taken, until when they can be, and those that come. */
export function PicturesDue({ build, kit, view }: { build: BuildRecord; kit: Kit; view: PlanView }) {
  const own = view.operations.filter(({ buildId }) => buildId === build.id);
  const { missing, coming } = duePictures(own, doneIn(view, build.id), kit.milestones);
  const inOrder = coming
    .filter(({ id }) => view.starts[id] !== undefined)
    .toSorted((p, q) => view.starts[p.id]! - view.starts[q.id]!);
  const lastChance = (stepId: string) => {
    const step = own.find(({ id }) => id === stepId)!;
    const said = view.advice.find(({ id }) => id === missingPictureId(step));
    return said?.about.steps.flatMap((id) => own.find((each) => each.id === id) ?? [])[0];
  };
  return (
    <div className="panel">
      <h3>Milestones</h3>
      {missing.length === 0 && coming.length === 0 && (
        <p className="soft small">No step of the plan asks for a picture that is not there.</p>
      )}
      {missing.map(({ id, photo }) => {
        const last = lastChance(id);
        return (
          <div key={id}>
            {last && view.starts[last.id] !== undefined && (
              <p className="small">
                <b>Until {whenText(view.starts[last.id]!)}:</b> then “{last.title}” shuts it in.
              </p>
            )}
            <StepPicture
              of={{ operationId: id, buildId: build.id, what: photo! }}
              isLast={last !== undefined}
              taken={[]}
            />
          </div>
        );
      })}
      {inOrder.slice(0, MOST_COMING).map(({ id, photo }) => (
        <p key={id} className="soft small mt6">
          {whenText(view.starts[id]!)}: {photo}
        </p>
      ))}
    </div>
  );
}
