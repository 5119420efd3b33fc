import { drawStretch } from '../../../core/detail/index.ts';
import { figure } from '../../../core/figures.ts';
import {
  newRecord,
  stretchOf,
  stretchQuestion,
  stretchRecord,
  wheelbaseOf,
  type Kit,
  type Stretch,
} from '../../../core/kit/index.ts';
import { cutWords } from '../../../core/plan/index.ts';
import { worked } from '../../../core/worked.ts';
import type { DetailViewProps } from './detailView.ts';
import { DetailList } from './DetailList.tsx';
import { DrawingPicture } from './DrawingPicture.tsx';
import { Fault } from './Fault.tsx';
import { StretchCard } from './StretchCard.tsx';

/** A frame made longer or shorter: what becomes of every part that runs along it. */
export const StretchView = ({ build, kit }: DetailViewProps) => (
  <DetailList<Stretch>
    buildId={build.id}
    kind="stretch"
    title="Stretched frame"
    all={kit.stretches}
    fresh={newRecord(stretchRecord)}
    word="Frame"
    addWords="Add a stretched frame"
    teaches="A longer wheelbase is more than two cuts in the rails: shafts, pipes, deck and boards run along them. Say where it is cut and by how much, and list what runs along; Fanfare says where each part is cut clear of its brackets, what goes between and what holds it."
    nothing="Nothing is stretched."
    decide={(stretch, tools) => <StretchCard stretch={stretch} kit={kit} scale={build.scale} {...tools} />}
    follows={(stretch) => <Stretched stretch={stretch} kit={kit} scale={build.scale} />}
  />
);

function Stretched({ stretch, kit, scale }: { stretch: Stretch; kit: Kit; scale: number }) {
  const { answer: plan, fault } = worked(() => stretchOf(stretch, kit));
  if (fault !== undefined) return <Fault name={stretch.name} fault={fault} />;
  const becomes = (what: 'moved' | 'stays') =>
    plan.members.filter(({ becomes: each }) => each === what).map(({ name }) => name);
  return (
    <div className="panel">
      <h3>{stretch.name}</h3>
      <Wheelbase stretch={stretch} scale={scale} />
      {plan.gaps.map(({ line, missingMm }) => (
        <p key={line} role="alert">
          {line}: its parts leave {figure(Math.abs(missingMm), 'mm', 1)}{' '}
          {missingMm * stretch.stretchMm > 0 ? 'open' : 'too much'}. Their shares must make up 1, each with a
          cut that lies on it.
        </p>
      ))}
      <DrawingPicture
        drawing={drawStretch(stretchQuestion(stretch, kit), plan)}
        label={`${stretch.name} from the side, before and after`}
      />
      {plan.members
        .filter(({ becomes: each }) => each === 'cut')
        .map((member) => (
          <div key={member.id}>
            <p className="mt8">
              <b>{member.name}</b>
            </p>
            <ul className="plainbullets small">
              {cutWords(member, plan).map((line) => (
                <li key={line}>{line}</li>
              ))}
            </ul>
          </div>
        ))}
      {becomes('moved').length > 0 && (
        <p className="small mt8">Goes back as it is: {becomes('moved').join(', ').toLowerCase()}.</p>
      )}
      {becomes('stays').length > 0 && (
        <p className="small">Stays ahead of the cut: {becomes('stays').join(', ').toLowerCase()}.</p>
      )}
      {plan.members.length === 0 && <p className="soft small">List what runs along it.</p>}
    </div>
  );
}

function Wheelbase({ stretch, scale }: { stretch: Stretch; scale: number }) {
  const base = wheelbaseOf(stretch, scale);
  if (!base) return <p className="soft small">Say where the axles lie, and the wheelbase follows.</p>;
  const { beforeMm, afterMm, wantedMm } = base;
  const off = wantedMm === undefined ? undefined : afterMm - wantedMm;
  return (
    <p>
      Wheelbase <span className="mono">{figure(beforeMm, 'mm', 1)}</span>, then{' '}
      <b className="mono">{figure(afterMm, 'mm', 1)}</b>
      {off === undefined
        ? '.'
        : Math.abs(off) < 0.05
          ? ', as the real one has it.'
          : `; the real one is ${figure(wantedMm!, 'mm', 1)} at scale: stretch it by ${figure(stretch.stretchMm - off, 'mm', 1)} for that.`}
    </p>
  );
}
