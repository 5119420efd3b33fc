import { bare, figure } from '../../../core/figures.ts';
import { NativeSelect, NumberInput, Slider, UnstyledButton } from '@mantine/core';
import { useMemo, useState } from 'react';
import { Link, useParams } from 'react-router';
import {
  ciede2000,
  DAYLIGHT,
  ILLUMINANT_NAMES,
  spectrumToDisplay,
  spectrumToLab,
  type IlluminantId,
} from '../../../core/colour/index.ts';
import {
  GENERIC_PRODUCTS,
  HEAT_PASS_UM,
  heatTints,
  mirrorOf,
  mirrorOfSubstrate,
  PIPE_METALS,
  RESTRAINED,
  SUBSTRATES,
  TINTS,
  type TintId,
} from '../../../core/finish/index.ts';
import {
  GLOSSY,
  innerLight,
  nearestPass,
  opaqueSpectrum,
  tintPasses,
  type InnerLight,
  type HotMetalId,
} from '../../../core/paint/index.ts';
import { LightSwitch } from '../../components/LightSwitch.tsx';
import { Loading } from '../../components/Loading.tsx';
import { Why } from '../../components/Why.tsx';
import { useBuildContext } from '../../data/buildContext.ts';
import { TintsOnto } from './TintsOnto.tsx';

const PLATING = SUBSTRATES.find(({ kind }) => kind === 'plated')!;
const BASES = [
  { value: 'mirror', label: 'chrome or plating' },
  ...GENERIC_PRODUCTS.filter(({ role }) => role === 'metal' || role === 'undercoat' || role === 'primer').map(
    ({ id, name }) => ({ value: id, label: name.toLowerCase() }),
  ),
];
/** The base as a film that is to be laid on it finds it: the same path as in every stack. */
const baseLight = (id: string): InnerLight => {
  const product = GENERIC_PRODUCTS.find((one) => one.id === id);
  return product
    ? innerLight(opaqueSpectrum(product.optics), GLOSSY, mirrorOf(product))
    : innerLight(PLATING.reflectance, GLOSSY, mirrorOfSubstrate(PLATING));
};
const PASSES = 10;
const USUAL_COOLING_MM = 450;
const AIM_NONE = '';

/** Transparent colour in passes over a base, and the colours of heat along a pipe. */
export function TintsScreen() {
  const { build, codes, ready, error } = useBuildContext();
  const { buildId } = useParams();
  const [light, setLight] = useState<IlluminantId>('D65');
  const [base, setBase] = useState('mirror');
  const [tint, setTint] = useState<TintId>('yellow');
  const [film, setFilm] = useState(2);
  const [aim, setAim] = useState(AIM_NONE);
  const [metal, setMetal] = useState<HotMetalId>('stainless');
  const [portC, setPortC] = useState(RESTRAINED.stainless);
  const [lengthMm, setLengthMm] = useState(80);
  const [coolingMm, setCoolingMm] = useState(USUAL_COOLING_MM);
  const scale = build?.scale ?? 24;

  const wanted = codes.find(({ id }) => id === aim);
  const steps = useMemo(
    () => tintPasses(baseLight(base), TINTS.find(({ id }) => id === tint)!.k, film, PASSES),
    [base, tint, film],
  );
  const near = wanted && nearestPass(steps, spectrumToLab(wanted.spectrum, DAYLIGHT));
  const heat = useMemo(
    () => heatTints({ metal, portC, lengthMm, coolingMm, scale }),
    [metal, portC, lengthMm, coolingMm, scale],
  );
  if (!ready) return <Loading what="tints" error={error} />;
  if (!build) return <Loading what="the build" error={new Error('There is no build at this address.')} />;
  const seen = (spectrum: readonly number[]) =>
    spectrumToDisplay(spectrum, { illuminant: light, observer: '2deg' }).hex;
  const hottest = heat.along[0]!;
  const coolest = heat.along.at(-1)!;
  return (
    <div className="columns">
      <section className="column" aria-label="What you know">
        <h2>Tints and heat</h2>
        <p>
          <Link to={`/build/${buildId}/finish`}>back to the stacks</Link>
        </p>
        <div className="panel stacked g8">
          <h3>Clear colour over a base</h3>
          <NativeSelect
            label="Over"
            data={BASES}
            value={base}
            onChange={({ currentTarget: { value } }) => setBase(value)}
          />
          <NativeSelect
            label="Tint"
            data={TINTS.map(({ id, name }) => ({ value: id, label: name }))}
            value={tint}
            onChange={({ currentTarget: { value } }) => setTint(value as TintId)}
          />
          <NumberInput
            label="One pass lays, µm dry"
            description="dusted 1 to 2, wet 4 to 6"
            min={0.5}
            max={15}
            step={0.5}
            value={film}
            onChange={(value) => typeof value === 'number' && value > 0 && setFilm(value)}
          />
          <NativeSelect
            label="To come near"
            data={[
              { value: AIM_NONE, label: 'nothing in particular' },
              ...codes.map(({ id, code, name }) => ({ value: id, label: `${code} ${name}` })),
            ]}
            value={aim}
            onChange={({ currentTarget: { value } }) => setAim(value)}
          />
        </div>
        <div className="panel stacked g8">
          <h3>A pipe that got hot</h3>
          <NativeSelect
            label="Of"
            data={PIPE_METALS.map(({ id, name }) => ({ value: id, label: name }))}
            value={metal}
            onChange={({ currentTarget: { value } }) => {
              setMetal(value as HotMetalId);
              setPortC(RESTRAINED[value as HotMetalId]);
            }}
          />
          <NumberInput
            label="Length on the model, mm"
            min={1}
            max={1000}
            value={lengthMm}
            onChange={(value) => typeof value === 'number' && value >= 1 && setLengthMm(value)}
          />
          <span id="port">
            Hottest at the port: <b className="mono">{portC} °C</b>
          </span>
          <Slider
            aria-labelledby="port"
            thumbLabel="Hottest at the port, °C"
            min={100}
            max={800}
            step={5}
            value={portC}
            label={null}
            onChange={setPortC}
          />
          <span id="cooling">
            A third of the heat left after <b className="mono">{coolingMm} mm</b> of the real pipe
          </span>
          <Slider
            aria-labelledby="cooling"
            thumbLabel="Distance in which the heat falls to a third, mm"
            min={50}
            max={2000}
            step={10}
            value={coolingMm}
            label={null}
            onChange={setCoolingMm}
          />
          {portC !== RESTRAINED[metal] && (
            <UnstyledButton className="why" onClick={() => setPortC(RESTRAINED[metal])}>
              back to a restrained {RESTRAINED[metal]} °C
            </UnstyledButton>
          )}
        </div>
      </section>
      <section className="booth" aria-label="Booth" data-light={light}>
        <div className="in-row apart g12 breaks">
          <h2>Pass by pass</h2>
          <LightSwitch light={light} onChange={setLight} />
        </div>
        <ol className="coatstrip tall" aria-label="The base after each pass">
          {steps.map(({ passes, spectrum, lab }) => (
            <li key={passes} data-planned={passes === near?.passes}>
              <span className="coat" style={{ background: seen(spectrum) }} />
              <span className="mono small">{passes === 0 ? 'bare' : passes}</span>
              <span className="mono small">
                {wanted ? bare(ciede2000(spectrumToLab(wanted.spectrum, DAYLIGHT), lab), 'dE') : ''}
              </span>
            </li>
          ))}
        </ol>
        {wanted && (
          <div
            style={{ height: 34, background: seen(wanted.spectrum), marginTop: 8 }}
            role="img"
            aria-label={`${wanted.code} ${wanted.name}, the colour to come near`}
          />
        )}
        <p className="small mt6">
          {wanted
            ? `Lower strip: ${wanted.code} ${wanted.name}. Figures: CIEDE2000 from it in daylight.`
            : 'Each pass takes about the same share of the light again, on its way in and out.'}
        </p>
        <h2 style={{ marginTop: 22 }}>Along the pipe, port on the left</h2>
        <div
          className="pipe"
          role="img"
          aria-label={`Heat colours along ${lengthMm} mm of pipe`}
          style={{
            background: `linear-gradient(to right, ${heat.along.map(({ spectrum }) => seen(spectrum)).join(', ')})`,
          }}
        />
        <div className="mono small in-row apart">
          <span>
            0 mm, {Math.round(hottest.celsius)} °C, {Math.round(hottest.oxideNm)} nm
          </span>
          <span>
            {lengthMm} mm, {Math.round(coolest.celsius)} °C, {Math.round(coolest.oxideNm)} nm
          </span>
        </div>
        <div className="pipesteps" aria-hidden>
          {heat.steps.map(({ tint: id, fromMm, toMm, name }, index) => (
            <span
              key={index}
              style={{
                left: `${(100 * fromMm) / lengthMm}%`,
                width: `${(100 * (toMm - fromMm)) / lengthMm}%`,
                top: 22 * index,
              }}
              data-tint={id}
            >
              <b>
                {index + 1} {name}
              </b>
            </span>
          ))}
          <span style={{ height: 22 * heat.steps.length, position: 'static', display: 'block', border: 0 }} />
        </div>
        <p className="small">
          The film of oxide that heat grows on bare metal, seen by interference in{' '}
          {ILLUMINANT_NAMES[light].name.toLowerCase()}.
        </p>
      </section>
      <section className="column" aria-label="What follows">
        <h2>What follows</h2>
        <div className="panel">
          <h3>
            {TINTS.find(({ id }) => id === tint)!.name}{' '}
            <Why about="passes of a tint">
              The light passes the film, is thrown back by the base and passes the film again: after n passes
              a band is left with exp(−2 k d n) of it (Beer and Lambert). k is typical of dyed clears; try
              your bottle on a spoon and correct the film of one pass until the strip agrees.
            </Why>
          </h3>
          <p>
            {wanted && near
              ? near.passes === 0
                ? `The bare base is nearest to ${wanted.code}, ${figure(near.dE00, 'dE')} off: this tint leads away from it.`
                : `${near.passes} ${near.passes === 1 ? 'pass comes' : 'passes come'} nearest to ${wanted.code} ${wanted.name}: ${figure(near.dE00, 'dE')} off.`
              : 'Pick a colour to come near and the passes are counted.'}
          </p>
          <TintsOnto trays={build.trays} tints={near ? [{ tint, passes: near.passes }] : []} />
        </div>
        <div className="panel">
          <h3>
            The pipe, in this order{' '}
            <Why about="heat tints">
              Oxide grows with heat: an hour at a temperature gives the thickness, and its faces interfere
              (Airy&apos;s sum over the metal&apos;s complex index). Straw, brown, purple and blue follow from
              that. The palest goes on first and runs under the hotter ones. A restrained port temperature is
              the default: most pipes show straw and only a breath of blue.
            </Why>
          </h3>
          {heat.steps.length === 0 ? (
            <p>Too cool for any colour: leave the metal as it is.</p>
          ) : (
            <ol style={{ margin: 0, paddingLeft: 20 }} aria-label="Tints in the order of spraying">
              {heat.steps.map(({ name, fromMm, toMm, passes }, index) => (
                <li key={index}>
                  {name}, <span className="mono">{passes}</span> light {passes === 1 ? 'pass' : 'passes'} from{' '}
                  <span className="mono">
                    {bare(fromMm, 'mm', 0)} to {figure(toMm, 'mm', 0)}
                  </span>
                </li>
              ))}
            </ol>
          )}
          <TintsOnto trays={build.trays} tints={heat.steps} />
          <p className="soft small mt6">
            A light pass lays about {HEAT_PASS_UM} µm. Fade each end by pulling the airbrush away; smoke last,
            where gas leaks at the port.
          </p>
        </div>
      </section>
    </div>
  );
}
