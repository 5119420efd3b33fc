import { newRecord, panelRecord, type InstrumentPanel } from '../../../../core/kit/index.ts';
import { DetailList } from '../DetailList.tsx';
import type { DetailViewProps } from '../detailView.ts';
import { useSeen } from '../useSeen.ts';
import { PanelCard } from './PanelCard.tsx';
import { PanelFollows } from './PanelFollows.tsx';

/** The face of an instrument panel at scale: what is on it, the ways to make it, its holes, template and artwork. */
export function PanelView({ build, kit }: DetailViewProps) {
  const { newest: seen } = useSeen(kit.panels.length > 0 ? kit : undefined, build.scale);
  return (
    <DetailList<InstrumentPanel>
      buildId={build.id}
      kind="panel"
      title="Instrument panel"
      all={kit.panels}
      fresh={newRecord(panelRecord)}
      word="Panel"
      addWords="Add a panel"
      teaches="Give the size of the face and where its dials sit. Fanfare compares the ways to make it, names the drill for every hole and the web that will break, cuts the decal so that each dial sits behind its hole, and draws template and dials to print at exact size."
      nothing="No panel yet."
      decide={(panel, tools) => <PanelCard panel={panel} kit={kit} {...tools} />}
      follows={(panel, { onChange }) => (
        <PanelFollows
          panel={panel}
          kit={kit}
          seen={seen?.shares.find(({ id }) => id === panel.partId)?.share}
          onChange={onChange}
        />
      )}
    />
  );
}
