import { figure } from '../../../core/figures.ts';
import { Button, NativeSelect, UnstyledButton } from '@mantine/core';
import { useMemo, useState } from 'react';
import { Link, useParams } from 'react-router';
import {
  CHROME_ROUTE_TABLE,
  CURVATURES,
  planBrightwork,
  type BrightPlan,
  type ChromeRouteId,
  type Curvature,
  type RouteScore,
} from '../../../core/finish/index.ts';
import type { Kit } from '../../../core/kit/index.ts';
import { EmptyStage } from '../../components/EmptyStage.tsx';
import { Loading } from '../../components/Loading.tsx';
import { Spoon } from '../../components/Spoon.tsx';
import { saveTrays } from '../../data/bench.ts';
import { changeKit, useKit, useStock } from '../../data/kit.ts';
import { newId } from '../../data/newId.ts';
import { useBuildContext } from '../../data/buildContext.ts';
import { shareText } from '../detail/shareText.ts';
import { useSeen } from '../detail/useSeen.ts';
import { DaysLeft } from './DaysLeft.tsx';
import { brightParts, type NamedBrightPart } from './brightParts.ts';
import { routeChanges, type RouteChange } from './routeChanges.ts';

const CURVES: Record<Curvature, string> = { flat: 'flat', gentle: 'gently curved', tight: 'tight curves' };
const LETTER = 'ABCDEFG';
/** Where a build is not read yet. */
const USUAL_SCALE = 24;

/** What of a part is seen, and how that is known. */
const sightWords = ({ visibility, share, guessed = false }: NamedBrightPart): string =>
  share === undefined
    ? visibility === 'hidden'
      ? 'shut in'
      : 'in sight'
    : `${shareText(share, guessed)} of it can be seen${guessed ? ', by a guess of where it sits' : ''}`;

/** Which way every bright part of a build goes, so that neighbours agree and one bath serves all. */
export function BrightworkScreen() {
  const { build, paints, ready, error } = useBuildContext();
  const { buildId } = useParams();
  const { kit, error: kitError } = useKit(buildId);
  const stock = useStock();
  const [days, setDays] = useState<number | null>(null);
  const [openId, setOpenId] = useState<string>();
  const { newest: seen } = useSeen(kit, build?.scale ?? USUAL_SCALE);
  const parts = useMemo(() => (kit ? brightParts(kit, seen) : []), [kit, seen]);
  const owned = useMemo(() => {
    const routes = new Set<ChromeRouteId>(['keep-plating']);
    for (const { family, container, levelMl } of paints) {
      if (levelMl === null) continue;
      if (family === 'metal-lacquer') {
        routes.add('black-metal-lacquer');
        routes.add('strip-paint');
      }
      if (family === 'chrome-ink') routes.add(container === 'marker' ? 'ink-marker' : 'ink-airbrush');
      if (container === 'marker' && family !== 'chrome-ink') routes.add('silver-marker');
    }
    if (stock?.materials.some(({ have, name, kind }) => have && /foil/i.test(`${name} ${kind}`)))
      routes.add('foil');
    return routes;
  }, [paints, stock]);
  const plan = useMemo(() => {
    if (!kit) return undefined;
    const pins = new Map(
      kit.brightwork.flatMap(({ partId, route }) => (route ? [[partId, route] as const] : [])),
    );
    return planBrightwork(
      parts,
      pins,
      kit.joints.map(({ a, b }) => [a, b] as const),
      { owned, days },
    );
  }, [kit, parts, owned, days]);
  if (!ready || !kit || !plan) return <Loading what="the brightwork" error={error ?? kitError} />;
  if (!build) return <Loading what="the build" error={new Error('There is no build at this address.')} />;
  if (parts.length === 0) {
    return (
      <EmptyStage title="Nothing bright on this build" buildId={build.id}>
        Mark parts as plated, or give them a metal finish in the Kit stage; the routes to chrome are then
        weighed here.
      </EmptyStage>
    );
  }
  const open = plan.chosen.find(({ part }) => part.id === openId) ?? plan.chosen[0]!;
  return (
    <div className="columns">
      <section className="column" aria-label="What you know">
        <h2>Brightwork</h2>
        <p>
          <Link to={`/build/${build.id}/finish`}>back to the stacks</Link>
        </p>
        <DaysLeft days={days} onChange={setDays} />
        <ul className="trays" aria-label="Bright parts" style={{ maxHeight: '62vh' }}>
          {plan.chosen.map(({ part, pick, pinned }) => {
            const named = parts.find(({ id }) => id === part.id)!;
            return (
              <li key={part.id}>
                <UnstyledButton aria-pressed={part.id === open.part.id} onClick={() => setOpenId(part.id)}>
                  <span className="shrinks">
                    <span className="mono small">{named.label}</span> {named.name}
                    <span className="soft small block">
                      {pick.route.name}
                      {pinned ? ', pinned' : ''}
                    </span>
                  </span>
                </UnstyledButton>
              </li>
            );
          })}
        </ul>
      </section>
      <PartRoutes
        key={open.part.id}
        buildId={build.id}
        kit={kit}
        open={open}
        part={parts.find(({ id }) => id === open.part.id)!}
      />
      <BrightFollows
        plan={plan}
        parts={parts}
        changes={routeChanges(build.trays, plan, kit)}
        onOpen={setOpenId}
      />
    </div>
  );
}

interface PartRoutesProps {
  buildId: string;
  kit: Kit;
  open: BrightPlan['chosen'][number];
  part: NamedBrightPart;
}

/** The routes of one part side by side, each with what speaks for and against it. */
function PartRoutes({ buildId, kit, open: { pick, pinned, all }, part }: PartRoutesProps) {
  const known = kit.brightwork.find(({ partId }) => partId === part.id);
  const save = (change: Partial<{ curvature: Curvature; route: ChromeRouteId | null }>, label: string) =>
    void changeKit(
      buildId,
      [
        {
          kind: 'brightwork',
          id: known?.id ?? newId(buildId),
          value: {
            partId: part.id,
            curvature: part.curvature,
            route: known?.route ?? null,
            ...change,
          },
        },
      ],
      label,
    ).catch(() => undefined);
  return (
    <section className="booth" aria-label="Booth">
      <h2>
        <span className="mono">{part.label}</span> {part.name}
      </h2>
      <p className="small">
        {part.plated ? 'plated' : 'not plated'}, {figure(part.lengthMm, 'mm', 0)},{' '}
        {figure(part.areaCm2, 'cm²', 1)}, {part.seam ? 'a seam to vanish' : 'no seam'},{' '}
        {part.handled ? 'handled again' : 'not handled again'}, {sightWords(part)}
      </p>
      <NativeSelect
        aria-label="Shape of the part"
        size="xs"
        w={170}
        mt={6}
        data={CURVATURES.map((value) => ({ value, label: CURVES[value] }))}
        value={part.curvature}
        onChange={({ currentTarget: { value } }) =>
          save({ curvature: value as Curvature }, `shape of ${part.name}`)
        }
      />
      <div role="radiogroup" aria-label="Routes" className="stacked g6 mt12">
        {all.map((one) => (
          <RouteRow
            key={one.route.id}
            one={one}
            chosen={one === pick}
            best={one === all[0]}
            onPick={() => save({ route: one.route.id }, `${one.route.name} for ${part.name}`)}
          />
        ))}
      </div>
      {pinned && (
        <UnstyledButton
          className="why same-ink mt8"

          onClick={() => save({ route: null }, `best route for ${part.name}`)}
        >
          let the best route win
        </UnstyledButton>
      )}
    </section>
  );
}

function RouteRow({
  one: { route, look, minutes, days, priceCents, because },
  chosen,
  best,
  onPick,
}: {
  one: RouteScore;
  chosen: boolean;
  best: boolean;
  onPick: () => void;
}) {
  // Brighter metal is lighter and shinier; a stand-in for the eye, not a measured colour.
  const level = Math.round(120 + 100 * look)
    .toString(16)
    .padStart(2, '0');
  return (
    <UnstyledButton role="radio" aria-checked={chosen} className="well routerow" onClick={onPick}>
      <Spoon hex={`#${level}${level}${level}`} gloss={30 + 60 * look} width={34} label={route.name} />
      <span className="shrinks">
        <b>{route.name}</b>
        {best && ', the best here'}
        <span className="small block">
          {because
            .filter(({ counts }) => Math.abs(counts) >= 0.5)
            .slice(0, 4)
            .map(({ words, counts }) => `${counts > 0 ? '+' : '−'} ${words}`)
            .join('; ')}
        </span>
      </span>
      <span className="mono small right">
        {Math.round(minutes)} min
        <br />
        {days < 1 ? (days === 0 ? 'no cure' : 'hours') : `${days} days`}
        <br />
        {priceCents > 0 ? figure(priceCents, 'euro') : 'owned'}
      </span>
    </UnstyledButton>
  );
}

/** What the routes of all parts come to: work, purchases, one bath, neighbours that clash, cautions. */
function BrightFollows({
  plan,
  parts,
  changes,
  onOpen,
}: {
  plan: BrightPlan;
  parts: readonly NamedBrightPart[];
  changes: RouteChange[];
  onOpen: (id: string) => void;
}) {
  const nameOf = (id: string) => parts.find((part) => part.id === id)?.name ?? id;
  const used = CHROME_ROUTE_TABLE.map((route) => ({
    route,
    count: plan.chosen.filter(({ pick }) => pick.route.id === route.id).length,
  })).filter(({ count }) => count > 0);
  const cautions = [...new Set(used.flatMap(({ route }) => route.cautions))];
  return (
    <section className="column" aria-label="What follows">
      <h2>What follows</h2>
      <div className="panel">
        <dl className="rows">
          {used.map(({ route, count }, index) => (
            <div key={route.id} className="contents">
              <dt>
                {LETTER[index]}: {route.name}
              </dt>
              <dd className="mono">{count}</dd>
            </div>
          ))}
          <dt>Work, all of it</dt>
          <dd className="mono">{figure(plan.minutes / 60, 'h')}</dd>
          <dt>To buy, each thing once</dt>
          <dd className="mono">{figure(plan.priceCents, 'euro')}</dd>
        </dl>
        {plan.bath.length > 0 && (
          <p className="small mt6">
            One stripping bath for {plan.bath.map(nameOf).join(', ')}: strip them on the same evening.
          </p>
        )}
      </div>
      <RouteChanges changes={changes} />
      {plan.clashes.length > 0 && (
        <div className="panel warned">
          <h3>Neighbours that would not agree</h3>
          {plan.clashes.slice(0, 6).map(({ a, b, difference }) => (
            <p key={`${a} ${b}`} className="small">
              <UnstyledButton className="why" onClick={() => onOpen(a)}>
                {nameOf(a)}
              </UnstyledButton>{' '}
              beside{' '}
              <UnstyledButton className="why" onClick={() => onOpen(b)}>
                {nameOf(b)}
              </UnstyledButton>
              : {Math.round(100 * difference)} % apart in brightness.
            </p>
          ))}
          {plan.clashes.length > 6 && <p className="small">and {plan.clashes.length - 6} more.</p>}
        </div>
      )}
      {cautions.length > 0 && (
        <div className="panel" aria-label="Cautions" role="region">
          <h3>Cautions</h3>
          {cautions.map((caution) => (
            <p key={caution} className="small" style={{ marginBottom: 6 }}>
              {caution}
            </p>
          ))}
        </div>
      )}
    </section>
  );
}

/** Stacks that the routes make of whole sub-assemblies, shown before they are taken. */
function RouteChanges({ changes }: { changes: readonly RouteChange[] }) {
  if (changes.length === 0) return null;
  const ready = changes.flatMap((change) => (change.kind === 'change' ? [change] : []));
  return (
    <div className="panel" role="region" aria-label="Into the stacks">
      <h3>Into the stacks</h3>
      <ul className="plainbullets small">
        {changes.map((change) => (
          <li key={change.tray.id}>
            <b>{change.tray.name}</b>: {change.words}
          </li>
        ))}
      </ul>
      {ready.length > 0 && (
        <Button
          className="mt8"
          onClick={() =>
            void saveTrays(
              ready.map(({ tray, layers }) => ({ before: tray, after: { ...tray, layers } })),
              'routes to chrome into the stacks',
            ).catch(() => undefined)
          }
        >
          Lay {ready.length === 1 ? 'this stack' : `these ${ready.length} stacks`}
        </Button>
      )}
    </div>
  );
}
