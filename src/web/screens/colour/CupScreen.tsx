import { Button, UnstyledButton } from '@mantine/core';
import { figure } from '../../../core/figures.ts';
import { useMemo, useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import type { CodeRecord, CupRecord, TrayRecord } from '../../../api/index.ts';
import {
  ciede2000,
  DAYLIGHT,
  describeDifference,
  spectrumToDisplay,
  spectrumToLab,
  type IlluminantId,
} from '../../../core/colour/index.ts';
import { FAMILIES } from '../../../core/finish/index.ts';
import { resolveMix, targetLayer } from '../../../core/kit/index.ts';
import { dropsInCup, evidenceFor } from '../../../core/match/index.ts';
import { opaqueSpectrum, seenSurface, surfaceOf, underlaySpectrum } from '../../../core/paint/index.ts';
import { Drops } from '../../components/Drops.tsx';
import { EmptyStage } from '../../components/EmptyStage.tsx';
import { Loading } from '../../components/Loading.tsx';
import { RemoveButton } from '../../components/RemoveButton.tsx';
import { benchMinute } from '../../data/clock.ts';
import { addCup, addDrops, readSpoon, setAside, throwAway, useCards, useCups } from '../../data/cups.ts';
import { doubtfulPaint } from '../../data/mixable.ts';
import { useBuildContext } from '../../data/buildContext.ts';
import type { CupAdviceQuestion } from '../../workers/cupAdvice.ts';
import { targetUncertainty } from './candidates.ts';
import { ColourNav } from './ColourNav.tsx';
import { DriesTo } from './DriesTo.tsx';
import { CupAdvicePanel } from './CupAdvicePanel.tsx';
import { ReaderPanel } from '../../components/ReaderPanel.tsx';
import { SpoonBooth } from './SpoonBooth.tsx';
import { useCupAdvice } from './useCupAdvice.ts';

const MOST_ADDED = 12;

/** A mixed cup, the spoons sprayed from it and what to add to it. */
export function CupScreen() {
  const workshop = useBuildContext();
  const { build, codes, ready, error } = workshop;
  const { trayId } = useParams();
  const cups = useCups();
  const cards = useCards();
  if (!ready || !cups.data || !cards.data)
    return <Loading what="cups and spoons" error={error ?? cups.error ?? cards.error} />;
  const tray = build?.trays.find(({ id }) => id === trayId);
  if (!build || !tray)
    return <Loading what="the cup" error={new Error('There is no sub-assembly at this address.')} />;
  const code = codes.find(({ id }) => id === tray.codeId);
  if (!code) {
    return (
      <EmptyStage title="No colour is wanted here yet" buildId={build.id}>
        Choose the factory code in Match first; a spoon is judged against it.
      </EmptyStage>
    );
  }
  return (
    <CupDesk
      tray={tray}
      code={code}
      workshop={workshop}
      cups={cups.data.filter((cup) => cup.trayId === tray.id && !cup.thrown)}
      all={[...cups.data.flatMap(({ readings }) => readings), ...cards.data].filter(({ aside }) => !aside)}
    />
  );
}

interface CupDeskProps {
  tray: TrayRecord;
  code: CodeRecord;
  workshop: ReturnType<typeof useBuildContext>;
  cups: readonly CupRecord[];
  all: readonly CupRecord['readings'][number][];
}

function CupDesk({ tray, code, workshop: { build, paints, products }, cups, all }: CupDeskProps) {
  const navigate = useNavigate();
  const [light, setLight] = useState<IlluminantId>('D65');
  const [picked, setPicked] = useState<string>();
  const cup = cups.find(({ id }) => id === picked) ?? cups.at(-1);
  const about = targetLayer(tray.layers);
  const contents = useMemo(() => (cup ? dropsInCup(cup) : {}), [cup]);
  const inCup = Object.entries(contents).flatMap(([id, drops]) => {
    const paint = paints.find((other) => other.id === id);
    return paint ? [{ paint, drops }] : [];
  });
  const gone = Object.keys(contents).length - inCup.length;
  const wet = gone === 0 && inCup.length > 0 ? resolveMix(contents, products) : undefined;
  const family = inCup[0]?.paint.family ?? 'lacquer';
  const coatUm = FAMILIES[family].filmPerCoat.usual;
  const targetLab = useMemo(() => spectrumToLab(code.spectrum, DAYLIGHT), [code.spectrum]);

  const question = useMemo<CupAdviceQuestion | undefined>(() => {
    if (!cup || gone > 0) return undefined;
    const evidence = evidenceFor(Object.keys(contents), all);
    const known = new Map(paints.map((paint) => [paint.id, paint]));
    const usable = evidence.readings.filter(({ drops }) => Object.keys(drops).every((id) => known.has(id)));
    const ids = [
      ...new Set([...Object.keys(contents), ...usable.flatMap(({ drops }) => Object.keys(drops))]),
    ];
    const spoon = cup.readings.findLast(({ aside }) => !aside);
    const newest = usable.findIndex(
      ({ id, drops }) => id === spoon?.id && JSON.stringify(drops) === JSON.stringify(contents),
    );
    return {
      cup: contents,
      newest: newest < 0 ? undefined : newest,
      paints: ids.map((id) => doubtfulPaint({ ...known.get(id)!, ...known.get(id)!.refit })),
      surface: seenSurface(code.gloss),
      readings: usable.map(({ drops, spectrum, filmUm, over, geometry, gloss }) => ({
        drops,
        spectrum,
        surface: surfaceOf(geometry, gloss ?? undefined),
        film: { thickness: filmUm, over: underlaySpectrum(over) },
      })),
      candidates: Object.keys(contents),
      target: { lab: targetLab, uncertainty: targetUncertainty(code) },
      maxAdded: MOST_ADDED,
    };
  }, [cup, gone, contents, all, paints, targetLab, code]);
  const advice = useCupAdvice(question);

  const spoons = (cup?.readings ?? [])
    .filter(({ aside }) => !aside)
    .map((reading) => {
      const lab = spectrumToLab(reading.spectrum, DAYLIGHT);
      return { reading, lab, dE00: ciede2000(targetLab, lab), words: describeDifference(lab, targetLab) };
    });
  const last = spoons.at(-1);
  const unread = last !== undefined && JSON.stringify(last.reading.drops) !== JSON.stringify(contents);
  const mix = about?.mix;
  const mixCup = () => {
    if (!build || !mix) return;
    const name = `Cup ${cups.length + 1} for ${tray.name}`.slice(0, 120);
    void addCup(build.id, { trayId: tray.id, codeId: code.id, name, drops: { ...mix } })
      .then(({ id }) => setPicked(id))
      .catch(() => undefined);
  };

  return (
    <div className="columns">
      <section className="column" aria-label="What you know">
        <h2>What you know</h2>
        {build && <ColourNav build={build} tray={tray} />}
        <div className="panel">
          <h3>{tray.name}</h3>
          <dl className="rows small">
            <dt>Wanted</dt>
            <dd>
              <span className="mono">{code.code}</span> {code.name}
            </dd>
            <dt>Known to</dt>
            <dd className="mono">±{figure(targetUncertainty(code), 'dE')}</dd>
          </dl>
        </div>
        <div className="panel">
          <h3>{cup ? cup.name : 'No cup yet'}</h3>
          {cups.length > 1 && (
            <div className="chips" role="group" aria-label="Cups" style={{ marginBottom: 8 }}>
              {cups.map(({ id }, index) => (
                <UnstyledButton
                  key={id}
                  className="chip"
                  aria-pressed={id === cup?.id}
                  onClick={() => setPicked(id)}
                >
                  cup {index + 1}
                </UnstyledButton>
              ))}
            </div>
          )}
          {inCup.map(({ paint, drops }) => (
            <div key={paint.id} className="in-row apart g8 middle">
              <span className="shrinks">
                <span className="mono small">{paint.id}</span> {paint.name}
              </span>
              <Drops count={drops} hex={spectrumToDisplay(opaqueSpectrum(paint)).hex} />
            </div>
          ))}
          {wet && <DriesTo product={wet} wanted={code.gloss} />}
          {gone > 0 && (
            <p role="alert">
              {gone} {gone === 1 ? 'paint' : 'paints'} of this cup {gone === 1 ? 'is' : 'are'} no longer in
              the catalogue; put it back to go on correcting.
            </p>
          )}
          {!cup && (
            <p className="small">
              {mix
                ? 'Mix the recipe in use, spray a test spoon, read it: Fanfare then says what to add.'
                : 'Choose a paint or a recipe in Match first.'}
            </p>
          )}
          <div className="in-row g10 mt8 middle">
            {mix ? (
              <UnstyledButton className={cup ? 'why' : 'action'} onClick={mixCup}>
                {cup ? 'mix a fresh cup of the recipe in use' : 'Mix the recipe in use'}
              </UnstyledButton>
            ) : (
              <Button
                variant="action"
                onClick={() => void navigate(`/build/${tray.buildId}/colour/${tray.id}`)}
              >
                Go to Match
              </Button>
            )}
            {cup && (
              <RemoveButton
                name={`Throw away ${cup.name}`}
                onRemove={() => void throwAway(cup).catch(() => undefined)}
              />
            )}
          </div>
        </div>
        {cup && (
          <ReaderPanel
            subject={`a spoon of ${cup.name.toLowerCase().startsWith('cup') ? 'this cup' : cup.name}`}
            coatUm={coatUm}
            onRead={(input) => readSpoon(cup.id, input)}
          />
        )}
      </section>
      <SpoonBooth
        code={code}
        light={light}
        onLight={setLight}
        spoons={spoons}
        predicted={advice.kind === 'answered' ? advice.answer : undefined}
        gloss={inCup[0] && products.get(inCup[0].paint.id)?.sheen}
        onAside={(reading) => void setAside(reading, 'spoon set aside').catch(() => undefined)}
      />
      <section className="column" aria-label="What follows">
        <h2>What follows</h2>
        {cup ? (
          <CupAdvicePanel
            advice={advice}
            last={last}
            unread={unread}
            target={{ lab: targetLab, uncertainty: targetUncertainty(code) }}
            paints={paints}
            contents={contents}
            onAdd={(add) => void addDrops(cup, add, benchMinute()).catch(() => undefined)}
          />
        ) : (
          <div className="panel">
            <p>
              Wet paint is not dry paint and no bottle is quite its chart. A cup, a sprayed spoon and a
              reading give the drops to add, and every reading makes the next recipe wiser.
            </p>
          </div>
        )}
      </section>
    </div>
  );
}
