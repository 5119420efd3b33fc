import {
  CartesianGrid,
  Line,
  LineChart,
  ResponsiveContainer,
  Scatter,
  ScatterChart,
  Tooltip,
  XAxis,
  YAxis,
  ZAxis,
} from 'recharts';
import type { CodeRecord } from '../../../api/index.ts';
import { bandWavelength } from '../../../core/colour/index.ts';
import { EachInTurn } from '../../components/InTurn.tsx';
import { AXIS, INK } from './boothStyle.ts';
import type { Candidate } from './candidates.ts';

interface BoothChartsProps {
  code: CodeRecord;
  chosen: Candidate;
  candidates: readonly Candidate[];
  onPick: (key: string) => void;
}

/** Spectra of target and answer, and what accuracy costs in drops. */
export function BoothCharts({ code, chosen, candidates, onPick }: BoothChartsProps) {
  const spectra = code.spectrum.map((target, band) => ({
    nm: bandWavelength(band),
    target: 100 * target,
    answer: 100 * chosen.spectrum[band]!,
  }));
  const points = candidates.map(({ key, drops, dE00, product }) => ({
    key,
    drops,
    dE: Number(dE00.toFixed(2)),
    name: product.name,
  }));
  return (
    <div className="stacked two-columns g14 mt12">
      <EachInTurn first={1}>
        <figure className="well m0">
          <figcaption className="small">
            Reflectance, %, over 400–700 nm: target solid, answer dashed
          </figcaption>
          <ResponsiveContainer width="100%" height={150}>
            <LineChart
              data={spectra}
              margin={{ top: 8, right: 10, bottom: 0, left: -18 }}
              accessibilityLayer={false}
            >
              <XAxis dataKey="nm" type="number" domain={[400, 700]} ticks={[400, 500, 600, 700]} {...AXIS} />
              <YAxis domain={[0, 'auto']} {...AXIS} />
              <Line dataKey="target" stroke={INK} strokeWidth={2} dot={false} isAnimationActive={false} />
              <Line
                dataKey="answer"
                stroke={INK}
                strokeWidth={1.6}
                strokeDasharray="5 4"
                dot={false}
                isAnimationActive={false}
              />
            </LineChart>
          </ResponsiveContainer>
        </figure>
        <figure className="well m0">
          <figcaption className="small">Drops against difference (dE00 as judged): pick a point</figcaption>
          <ResponsiveContainer width="100%" height={150}>
            <ScatterChart margin={{ top: 8, right: 12, bottom: 0, left: -18 }} accessibilityLayer={false}>
              <CartesianGrid stroke="#8e8e8e" strokeDasharray="2 4" />
              <XAxis
                dataKey="drops"
                type="number"
                name="drops"
                domain={[0, 'dataMax + 1']}
                allowDecimals={false}
                {...AXIS}
              />
              <YAxis dataKey="dE" type="number" name="dE00" domain={[0, 'auto']} {...AXIS} />
              <ZAxis range={[70, 70]} />
              <Tooltip
                isAnimationActive={false}
                cursor={false}
                content={({ payload }) =>
                  payload[0] ? (
                    <span className="panel small">
                      {(payload[0].payload as (typeof points)[number]).name}
                    </span>
                  ) : null
                }
              />
              <Scatter
                data={points.filter(({ key }) => key !== chosen.key)}
                fill={INK}
                isAnimationActive={false}
                onClick={(point) => onPick((point as unknown as { payload: { key: string } }).payload.key)}
                cursor="pointer"
              />
              <Scatter
                data={points.filter(({ key }) => key === chosen.key)}
                fill="#fff"
                stroke={INK}
                strokeWidth={4}
                isAnimationActive={false}
              />
            </ScatterChart>
          </ResponsiveContainer>
        </figure>
      </EachInTurn>
    </div>
  );
}
