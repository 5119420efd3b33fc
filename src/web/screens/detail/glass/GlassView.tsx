import { Link } from 'react-router';
import { newRecord, paneOrder, paneRecord, type Kit, type Pane } from '../../../../core/kit/index.ts';
import { DetailList } from '../DetailList.tsx';
import type { DetailViewProps } from '../detailView.ts';
import { PaneCard } from './PaneCard.tsx';
import { PaneFollows } from './PaneFollows.tsx';

/** Every pane, what lies behind it and what covers it, and an order of fitting that exists. */
export const GlassView = ({ build, kit }: DetailViewProps) => (
  <DetailList<Pane>
    buildId={build.id}
    kind="pane"
    title="Glass"
    all={kit.panes}
    fresh={newRecord(paneRecord)}
    word="Pane"
    addWords="Add a pane"
    teaches="Say of each pane what it goes into, what lies behind it and what covers its edge. Fanfare finds an order in which everything can still be fitted, says it where the pane goes in, and draws masks from the openings of the views."
    nothing="No pane yet."
    decide={(pane, tools) => <PaneCard pane={pane} kit={kit} {...tools} />}
    follows={(pane) => (
      <>
        {pane.id === kit.panes[0]?.id && <FittingChain kit={kit} />}
        <PaneFollows pane={pane} kit={kit} scale={build.scale} fogs={build.kit.fogs} />
      </>
    )}
  >
    {kit.panes.length > 0 && !kit.views.some(({ openings }) => openings.length > 0) && (
      <p className="soft small">
        For masks, trace the frame from a photograph:{' '}
        <Link to={`/build/${build.id}/livery`}>Views and areas</Link>, an opening on the side that shows it.
      </p>
    )}
  </DetailList>
);

/** The order of fitting with its reasons, or the ring of reasons that no order keeps. */
export function FittingChain({ kit }: { kit: Kit }) {
  const { items, answer, firsts } = paneOrder(kit);
  const nameOf = new Map(items.map(({ id, name }) => [id, name]));
  if (answer.ring)
    return (
      <div className="panel warned" role="alert">
        <h3>No order of fitting</h3>
        {answer.ring.map(({ because }) => (
          <p key={because}>{because};</p>
        ))}
        <p className="soft small">Each waits for the next. One of these is otherwise than it was said.</p>
      </div>
    );
  return (
    <div className="panel">
      <h3>Order of fitting</h3>
      <ol className="mt6">
        {answer.order.map(({ id, because }) => (
          <li key={id}>
            {nameOf.get(id)}
            {because.length > 0 && (
              <span className="soft small block">{because.map((rule) => rule.because).join('; ')}</span>
            )}
          </li>
        ))}
      </ol>
      {firsts.length > 0 && (
        <p className="finding warn mt8">
          {firsts.map(({ name }) => name).join(', ')}: more than one is said to come first. They come in the
          order in which they are listed.
        </p>
      )}
    </div>
  );
}
