import { Button } from '@mantine/core';
import isEqual from 'fast-deep-equal';
import { Link } from 'react-router';
import type { BuildRecord, TrayRecord } from '../../../api/index.ts';
import { codeOfLayer, type Kit, type Mix } from '../../../core/kit/index.ts';
import {
  stackOfOrder,
  surfaceOf,
  type LiveryAnswer,
  type OrderedColour,
} from '../../../core/livery/index.ts';
import { saveTray } from '../../data/bench.ts';
import { changeWords } from '../finish/planned.ts';
import { layerName } from '../finish/layerNames.ts';

interface TakeOrderProps {
  build: BuildRecord;
  tray: TrayRecord;
  kit: Kit;
  answer: LiveryAnswer;
}

/** What is in the cup for a code, wherever in the build it is mixed. */
function mixFor(codeId: string | null, { trays }: BuildRecord): Mix | undefined {
  if (codeId === null) return undefined;
  return trays.flatMap((tray) =>
    tray.layers.flatMap((layer) => (layer.mix && codeOfLayer(tray, layer) === codeId ? [layer.mix] : [])),
  )[0];
}

function colourOf(id: string, share: number, kit: Kit, build: BuildRecord): OrderedColour[] {
  const finish = kit.finishes.find((each) => each.id === id);
  if (!finish) return [];
  const mix = mixFor(finish.codeId, build);
  return [{ finishId: id, look: finish.look, codeId: finish.codeId, share, ...(mix ? { mix } : {}) }];
}

/** Makes the layers of a sub-assembly follow the order of its colours, having said what that changes. */
export function TakeOrder({ build, tray, kit, answer: { plan, measured } }: TakeOrderProps) {
  if (!plan || plan.stages.length + plan.byHand.length < 2) return null;
  const surface = surfaceOf(measured.map((each) => each.measured));
  const all = [...surface.values()].reduce((sum, cm2) => sum + cm2, 0);
  const colours = [...surface].flatMap(([id, cm2]) => colourOf(id, cm2 / all, kit, build));
  const { layers, codeId, dropped } = stackOfOrder(tray, plan, colours);
  const follows = isEqual(layers, tray.layers) && codeId === tray.codeId;
  const stack = <Link to={`/build/${build.id}/finish/${tray.id}`}>stack of {tray.name.toLowerCase()}</Link>;
  if (follows) return <p className="small">The {stack} follows this order.</p>;
  const changes = changeWords(tray.layers, layers);
  return (
    <div className="toolrow">
      <p className="small">
        The {stack} does not follow it yet.{' '}
        {changes === 'nothing'
          ? 'Its layers stay; which colour they are of, and its share, is written to them.'
          : `Taking it: ${changes}.`}
        {dropped.length > 0 &&
          ` Left out, since no colour here is theirs: ${dropped.map((layer) => layerName(layer, layer)).join(', ')}.`}
      </p>
      <Button
        onClick={() =>
          void saveTray(tray, { ...tray, layers, codeId }, `order of colours on ${tray.name}`).catch(
            () => undefined,
          )
        }
      >
        Take this order into the stack
      </Button>
    </div>
  );
}
