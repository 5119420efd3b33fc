import { bare, figure } from '../../../core/figures.ts';
import { CartesianGrid, Line, LineChart, ResponsiveContainer, XAxis, YAxis } from 'recharts';
import type { CodeRecord, ReadingRecord } from '../../../api/index.ts';
import {
  bandWavelength,
  spectrumToDisplay,
  type IlluminantId,
  type Lab,
} from '../../../core/colour/index.ts';
import type { Sheen } from '../../../core/finish/index.ts';
import { LightSwitch } from '../../components/LightSwitch.tsx';
import { RemoveButton } from '../../components/RemoveButton.tsx';
import { Spoon } from '../../components/Spoon.tsx';
import type { CupAdvice } from '../../workers/cupAdvice.ts';
import { AXIS, GLOSS, INK } from './boothStyle.ts';
import { differenceIn } from './candidates.ts';

export interface SprayedSpoon {
  reading: ReadingRecord;
  lab: Lab;
  dE00: number;
  words: string;
}

interface SpoonBoothProps {
  code: CodeRecord;
  light: IlluminantId;
  onLight: (light: IlluminantId) => void;
  spoons: readonly SprayedSpoon[];
  predicted: CupAdvice | undefined;
  gloss: Sheen | undefined;
  onAside: (reading: ReadingRecord) => void;
}

/** The neutral booth: the target beside every sprayed spoon, edge to edge with the newest, and their spectra. */
export function SpoonBooth({ code, light, onLight, spoons, predicted, gloss, onAside }: SpoonBoothProps) {
  const seen = (spectrum: readonly number[]) =>
    spectrumToDisplay(spectrum, { illuminant: light, observer: '2deg' }).hex;
  const last = spoons.at(-1);
  const beside = last?.reading.spectrum ?? predicted?.spectrum;
  const shine = GLOSS[gloss ?? 'gloss'];
  const curve = code.spectrum.map((target, band) => ({
    nm: bandWavelength(band),
    target: 100 * target,
    spoon: last && 100 * last.reading.spectrum[band]!,
    cup: predicted && 100 * predicted.spectrum[band]!,
  }));
  return (
    <section className="booth" aria-label="Booth" data-light={light}>
      <div className="in-row middle apart g12 breaks">
        <h2>Target and spoons</h2>
        <LightSwitch light={light} onChange={onLight} />
      </div>
      <div style={{ display: 'grid', gridTemplateColumns: '170px minmax(0, 1fr)', gap: 16, marginTop: 10 }}>
        <div className="centred">
          <Spoon
            hex={seen(code.spectrum)}
            gloss={shine}
            width={124}
            label={`${code.name}, the colour wanted`}
          />
          <b className="block">{code.name}</b>
          <span className="mono">{code.code}</span>
        </div>
        {spoons.length === 0 ? (
          <p style={{ alignSelf: 'center', maxWidth: 360 }}>
            No spoon is sprayed from this cup yet. Spray one as you will spray the model, let it dry, then
            read it: wet paint lies.
          </p>
        ) : (
          <ul className="in-row g10 breaks unlisted m0 p0">
            {spoons.map(({ reading, words }, index) => (
              <li key={reading.id} style={{ width: 124 }}>
                <Spoon
                  hex={seen(reading.spectrum)}
                  gloss={shine}
                  undercoat={{ white: '#e4e4e4', grey: '#8c8c8c', black: '#262626' }[reading.over]}
                  width={72}
                  label={`Spoon ${index + 1}`}
                />
                <div className="in-row middle apart">
                  <b>Spoon {index + 1}</b>
                  <RemoveButton name={`Set spoon ${index + 1} aside`} onRemove={() => onAside(reading)} />
                </div>
                <span className="mono block">
                  {bare(
                    differenceIn({ illuminant: light, observer: '2deg' }, reading.spectrum, code.spectrum),
                    'dE',
                  )}{' '}
                  dE
                </span>
                <span className="small block">{words || 'no difference to see'}</span>
                <span className="small mono block">{Object.values(reading.drops).join(' : ')}</span>
                <span className="small block">three readings within {figure(reading.spread, 'dE', 2)}</span>
              </li>
            ))}
          </ul>
        )}
      </div>
      <div className="stacked two-columns g14 mt12">
        <figure className="well m0">
          <figcaption className="small">
            Edge to edge: target left, {last ? 'newest spoon' : 'what this cup should be'} right
          </figcaption>
          <div
            role="img"
            aria-label="Target and spoon without a gap"
            style={{ display: 'grid', gridTemplateColumns: '1fr 1fr', height: 150, marginTop: 6 }}
          >
            <span style={{ background: seen(code.spectrum) }} />
            <span style={{ background: beside ? seen(beside) : 'transparent' }} />
          </div>
        </figure>
        <figure className="well m0">
          <figcaption className="small">
            Reflectance, %: target solid, newest spoon dashed, cup now dotted
          </figcaption>
          <ResponsiveContainer width="100%" height={156}>
            <LineChart
              data={curve}
              margin={{ top: 8, right: 10, bottom: 0, left: -18 }}
              accessibilityLayer={false}
            >
              <CartesianGrid stroke="#8e8e8e" strokeDasharray="2 4" />
              <XAxis dataKey="nm" type="number" domain={[400, 700]} ticks={[400, 500, 600, 700]} {...AXIS} />
              <YAxis domain={[0, 'auto']} {...AXIS} />
              <Line dataKey="target" stroke={INK} strokeWidth={2} dot={false} isAnimationActive={false} />
              <Line
                dataKey="spoon"
                stroke={INK}
                strokeWidth={1.6}
                strokeDasharray="6 4"
                dot={false}
                isAnimationActive={false}
              />
              <Line
                dataKey="cup"
                stroke={INK}
                strokeWidth={1.4}
                strokeDasharray="1 4"
                dot={false}
                isAnimationActive={false}
              />
            </LineChart>
          </ResponsiveContainer>
        </figure>
      </div>
      <p className="small mt8">Figures: CIEDE2000 from the target in this light, 2 degree observer.</p>
    </section>
  );
}
