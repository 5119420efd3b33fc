import { Table } from '@mantine/core';
import { drawDial, drawFace, drawTemplate, PANEL_ROUTE_FACTS } from '../../../../core/cabin/index.ts';
import { figure } from '../../../../core/figures.ts';
import {
  counted,
  dialsOf,
  othersOf,
  hasOverlay,
  lensesMm3,
  openingsOf,
  overlayOf,
  panelRoutesOf,
  piecesOf,
  trimOf,
  type InstrumentPanel,
  type Kit,
} from '../../../../core/kit/index.ts';
import { webWords } from '../../../../core/plan/index.ts';
import { worked } from '../../../../core/worked.ts';
import type { DetailTools } from '../DetailList.tsx';
import { DrawingPicture } from '../DrawingPicture.tsx';
import { Fault } from '../Fault.tsx';
import { SaveDrawings } from '../SaveDrawings.tsx';
import { PanelWays } from './PanelWays.tsx';

interface PanelFollowsProps extends Pick<DetailTools<InstrumentPanel>, 'onChange'> {
  panel: InstrumentPanel;
  kit: Kit;
  /** How much of the part is seen, 0..1; undefined where that is not known. */
  seen: number | undefined;
}

/** What follows for a panel: the ways to it, its holes and webs, the decal in pieces, template and dials to print. */
export function PanelFollows({ panel, kit, seen, onChange }: PanelFollowsProps) {
  return (
    <>
      <PanelWays panel={panel} routes={panelRoutesOf(panel, seen)} seen={seen} onChange={onChange} />
      {hasOverlay(panel) && <Overlay panel={panel} kit={kit} />}
      {panel.art === 'kit-decal' ? <Decal panel={panel} /> : <Artwork panel={panel} kit={kit} />}
    </>
  );
}

/** How the overlay is opened: drills in their order, webs that do not hold, the template. */
function Overlay({ panel, kit }: Pick<PanelFollowsProps, 'panel' | 'kit'>) {
  const { answer: plan, fault } = worked(() => overlayOf(panel));
  if (fault !== undefined) return <Fault name={`Overlay of ${panel.name.toLowerCase()}`} fault={fault} />;
  const template = drawTemplate(panel, openingsOf(panel), plan);
  const breaking = plan.webs.filter(({ verdict }) => verdict === 'breaks');
  return (
    <div className={`panel${breaking.length > 0 ? ' warned' : ''}`}>
      <h3>Overlay of {panel.name.toLowerCase()}</h3>
      {plan.webs.map((web) => (
        <p key={`${web.a} ${web.b}`} className={web.verdict === 'breaks' ? 'finding warn' : 'soft small'}>
          {webWords(panel, web)}
          {web.verdict === 'breaks'
            ? ` in ${figure(panel.gaugeMm, 'mm')} sheet: it will break. Move ${web.b === null ? 'it in' : 'them apart'} by ${figure(web.moveMm, 'mm')}, merge them, or drill before it is cut out.`
            : ': thin, so drill before it is cut out.'}
        </p>
      ))}
      {plan.holes.length > 0 && (
        <Table className="plainlist">
          <Table.Thead>
            <Table.Tr>
              <Table.Th>In this order</Table.Th>
              <Table.Th className="num">Drill, mm</Table.Th>
              <Table.Th className="num">Off, mm</Table.Th>
            </Table.Tr>
          </Table.Thead>
          <Table.Tbody>
            {plan.holes.map(({ id, name, way, drillMm, offMm, pilotsMm }, at) => (
              <Table.Tr key={id}>
                <Table.Td>
                  {at + 1} {name}
                  <span className="soft small block">
                    {way === 'knife'
                      ? 'too narrow for a drill: a new blade'
                      : way === 'cut'
                        ? 'corners drilled, sides cut'
                        : way === 'open-out'
                          ? 'then a round file'
                          : pilotsMm.length > 0
                            ? `after ${pilotsMm.map((mm) => figure(mm, 'mm')).join(', ')}`
                            : ''}
                  </span>
                </Table.Td>
                <Table.Td className="num mono">{drillMm === 0 ? '' : drillMm.toFixed(2)}</Table.Td>
                <Table.Td className="num mono">
                  {way === 'cut' || way === 'knife' ? '' : offMm.toFixed(2)}
                </Table.Td>
              </Table.Tr>
            ))}
          </Table.Tbody>
        </Table>
      )}
      <DrawingPicture drawing={template} label={`Template of ${panel.name}`} />
      <p className="soft small">
        Numbers are the order of opening. Glue it on, prick every cross, scrape it off.
      </p>
      <SaveDrawings kit={kit} title={`Template of ${panel.name}`} drawings={[template]} />
    </div>
  );
}

/** The kit's decal: what is trimmed off it, and into what it is cut. */
function Decal({ panel }: Pick<PanelFollowsProps, 'panel'>) {
  const trim = trimOf(panel);
  const pieces = piecesOf(panel);
  const called = (ids: readonly string[]) => ids.map((id) => panel.on[Number(id) - 1]!.name).join(', ');
  return (
    <div className="panel">
      <h3>Its decal</h3>
      {trim === undefined ? (
        <p className="soft small">Measure the decal, and what is trimmed off it follows.</p>
      ) : trim.sides + trim.ends === 0 ? (
        <p>It fits as it is printed.</p>
      ) : (
        <p>
          It is larger than the recess: trim <span className="mono">{figure(trim.sides, 'mm')}</span> off each
          side, <span className="mono">{figure(trim.ends, 'mm')}</span> off above and below.
        </p>
      )}
      {pieces.length > 1 ? (
        <>
          <p>Cut it into {counted(pieces.length, 'piece')}, so that each dial sits behind its hole:</p>
          {pieces.map(({ ids, shiftX, shiftY }) => (
            <p key={ids.join()} className="small">
              {called(ids)}: <span className="mono">{figure(Math.abs(shiftX), 'mm')}</span>{' '}
              {shiftX >= 0 ? 'right' : 'left'}, <span className="mono">{figure(Math.abs(shiftY), 'mm')}</span>{' '}
              {shiftY >= 0 ? 'down' : 'up'}
            </p>
          ))}
        </>
      ) : (
        hasOverlay(panel) && <p className="soft small">Laid whole, every dial sits behind its hole.</p>
      )}
    </div>
  );
}

/** Dials drawn at exact size, with what of them no printer holds. */
function Artwork({ panel, kit }: Pick<PanelFollowsProps, 'panel' | 'kit'>) {
  const { answer, fault } = worked(() => {
    const dials = dialsOf(panel);
    return {
      face: drawFace(panel, dials, othersOf(panel)),
      tooFine: [...new Set(dials.flatMap((dial) => drawDial(dial).tooFine))],
      lenses: lensesMm3(panel),
    };
  });
  if (fault !== undefined) return <Fault name={`Dials of ${panel.name.toLowerCase()}`} fault={fault} />;
  if (panel.on.length === 0) return null;
  return (
    <div className="panel">
      <h3>Its dials</h3>
      <DrawingPicture drawing={answer.face} label={`Dials of ${panel.name}`} />
      {answer.tooFine.length > 0 && (
        <p className="soft small">Left out, since no printer holds them: {answer.tooFine.join(', ')}.</p>
      )}
      {answer.lenses > 0 && (
        <p>
          Lenses: <span className="mono">{figure(answer.lenses, 'mm³')}</span> of clear for all of them, as
          drops.
        </p>
      )}
      <SaveDrawings kit={kit} title={`Dials of ${panel.name}`} drawings={[answer.face]} />
      <p className="soft small">{panel.route && PANEL_ROUTE_FACTS[panel.route].name}</p>
    </div>
  );
}
