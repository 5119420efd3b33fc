import { Button } from '@mantine/core';
import { Link } from 'react-router';
import { counted, elsewhere, sheetFacts } from '../../../../core/kit/index.ts';
import { useBench } from '../../../data/bench.ts';
import { changeKit, useOtherKits } from '../../../data/kit.ts';
import { newId } from '../../../data/newId.ts';
import type { KitViewProps } from '../kitView.ts';
import { labelled } from '../partNames.ts';
import { SuggestedJoints } from '../SuggestedJoints.tsx';

const MOST_NAMED = 12;

/** What the recorded sheet says of joints, parts, order and colours. */
export function SheetFollows({ build, kit }: Pick<KitViewProps, 'build' | 'kit'>) {
  const { data: bench } = useBench();
  const others = useOtherKits(bench?.builds, build.id);
  const trayOf = new Map(
    build.trays.flatMap(({ id, parts: of }) => of.map((part) => [part.id, id] as const)),
  );
  // Joints between two sub-assemblies are made after paint.
  const late = new Set(
    kit.joints.flatMap(({ id, a, b }) =>
      trayOf.has(a) && trayOf.has(b) && trayOf.get(a) !== trayOf.get(b) ? [id] : [],
    ),
  );
  const { joints, unused, absent, later, colours } = sheetFacts(kit, late);
  const parts = new Map(kit.parts.map((part) => [part.id, part]));
  if (kit.sheetSteps.length === 0)
    return (
      <p className="panel">
        Read the sheet aloud, a line a step. From it come the joints, what goes on what, which parts no step
        uses, and where your order leaves the sheet’s.
      </p>
    );
  return (
    <>
      {joints.length > 0 && (
        <SuggestedJoints
          suggestions={joints}
          parts={parts}
          onTake={(taken) =>
            void changeKit(
              build.id,
              taken.map(({ joint }) => {
                const id = newId(build.id);
                return { kind: 'joint' as const, id, value: { ...joint, id } };
              }),
              `${counted(taken.length, 'joint')} of the sheet`,
            ).catch(() => undefined)
          }
        />
      )}
      <div className="panel">
        <h3>Parts that no step uses</h3>
        {unused.length === 0 ? (
          <p className="soft small">Every part of this version is in a step.</p>
        ) : (
          <>
            {unused.slice(0, MOST_NAMED).map((part) => (
              <p key={part.id} className="small">
                {labelled(part)} <span className="soft">{elsewhere(part, others).join('; ')}</span>{' '}
                <Button
                  size="compact-xs"
                  onClick={() =>
                    void changeKit(
                      build.id,
                      [{ kind: 'part', id: part.id, value: { ...part, use: 'left-off' } }],
                      `leave off ${labelled(part)}`,
                    ).catch(() => undefined)
                  }
                >
                  Leave {labelled(part)} off
                </Button>
              </p>
            ))}
            <p className="small soft">
              {unused.length > MOST_NAMED && `And ${unused.length - MOST_NAMED} more. `}Spare, of another
              version, or forgotten by the sheet: look before they go back into the box.
            </p>
          </>
        )}
        {absent.map(({ said, steps }) => (
          <p key={said} className="small">
            <b>{said}</b> is named in step {steps.join(', ')} and is not in the box: a misprint, or a part to
            ask for.
          </p>
        ))}
      </div>
      {later.length > 0 && (
        <div className="panel">
          <h3>Later here than on the sheet</h3>
          {later.map(({ step, joint, why }) => (
            <p key={`${step} ${joint}`} className="small">
              <b>Step {step}:</b> {joint} is joined after paint; <span className="soft">{why}</span>.
            </p>
          ))}
        </div>
      )}
      {colours.length > 0 && (
        <div className="panel">
          <h3>Colours called out</h3>
          {colours.map(({ step, called, parts: of, conflict }) => (
            <p key={step} className="small">
              <b>Step {step}:</b> {called}.{' '}
              {of.map(({ name, finish }) => `${name}: ${finish ?? 'no finish yet'}`).join('; ')}
              {conflict && (
                <>
                  {' '}
                  <Link to={`/build/${build.id}/kit/evidence`}>
                    {conflict.verdict === 'open' ? 'not decided' : 'decided'}: {conflict.title}
                  </Link>
                </>
              )}
            </p>
          ))}
        </div>
      )}
    </>
  );
}
