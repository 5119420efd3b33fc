import { ciede2000, type Lab } from '../../colour/index.ts';
import type { Marking, MarkingRoute } from '../../kit/index.ts';
import { applyMinutes } from './applyMarkings.ts';

/** What is known of a marking and of what it lies on. */
export interface MarkingFacts {
  /** Its printed colour and whether ink lets the base through; null where nobody said. */
  ink: { lab: Lab; transparent: boolean } | null;
  /** What it lies on as the stack leaves it; null where that is not known. */
  base: Lab | null;
  /** The printer lays white. */
  laysWhite?: boolean;
  /** It lies on clear plastic, which shows finger prints and silvering from behind. */
  onClear: boolean;
}

/** One way of bringing a marking on. */
export interface RouteOffer {
  route: MarkingRoute;
  minutes: number;
  /** What speaks against it, in words; empty where nothing does. */
  against: string[];
  why: string;
}

/** A lens or sight glass, mm: one drop of paint. */
const ONE_DROP_MM = 4;
/** Below this lettering cannot be cut as a mask, mm. */
const CUTTABLE_MM = 4;
/** Lightness from which transparent ink shows its colour on a base, and is itself next to none. */
export const PALE = 80;
/** A white and a white that differ by more are seen to. */
const SAME_WHITE = 2;
const WHITE = 85;
/** What each thing that speaks against a way may bring, minutes. */
export const AGAINST_MINUTES = 12;
const PRINTED_LEAST_MM = 0.7;

/** Every way open to a marking, the one of least work and risk first. Minutes are of hands; what speaks against a way is
 *  counted as work that it may bring. */
export function markingRoutes(marking: Marking, facts: MarkingFacts): RouteOffer[] {
  const { width, height, surface, sheet, film, route, lettering, count, artwork } = marking;
  const once = applyMinutes(marking);
  const small = Math.min(width, height);
  const offers: RouteOffer[] = [];
  if (sheet !== '')
    offers.push({
      route: 'decal',
      minutes: count * once,
      against: againstFilm(marking, facts),
      why: `the kit has it, number ${sheet} on its sheet`,
    });
  offers.push({
    route: 'print',
    minutes: 25 + count * once,
    against: [
      ...againstFilm({ ...marking, film: null }, facts),
      ...needsWhite(facts),
      ...(lettering && small < PRINTED_LEAST_MM
        ? [`letters of ${small} mm are too fine to print: ${PRINTED_LEAST_MM} mm is the least`]
        : []),
    ],
    why: 'your own artwork at exact scale, as many as you like',
  });
  const isDrop = Math.max(width, height) <= ONE_DROP_MM;
  if (isDrop)
    offers.push({ route: 'paint', minutes: 3 * count, against: [], why: 'so small that one drop fills it' });
  else if (!lettering || small >= CUTTABLE_MM)
    offers.push({
      route: 'paint',
      minutes: 20 + count * (8 + (0.9 * 2 * (width + height)) / 10 + (lettering ? 6 : 0)),
      against: [],
      why: 'mask and spray: its white is that of your paint, and nothing has an edge',
    });
  if (!lettering)
    offers.push({
      route: 'foil',
      minutes: 8 + count * (4 + (0.6 * 2 * (width + height)) / 10),
      against: [
        ...(facts.ink ? ['foil is bare metal, and this is printed in a colour'] : []),
        ...(!facts.ink && route !== 'foil' ? ['only for what is bright metal: nobody said its colour'] : []),
        ...(surface === 'double' || surface === 'strong'
          ? ['foil creases where the surface curves both ways']
          : []),
      ],
      why: 'burnished down and cut along its edge: no print has the shine of metal',
    });
  if (sheet !== '' || route === 'transfer')
    offers.push({
      route: 'transfer',
      minutes: count * (3 + 0.1 * ((width * height) / 100)),
      against: [
        ...(route === 'transfer' ? [] : ['only where its sheet is rubbed down dry: nobody said so']),
        ...(surface === 'flat' ? [] : ['it cracks where it has to bend']),
        ...(film === 'old' || film === 'cracked'
          ? ['old ones no longer leave their backing: try a spare']
          : []),
      ],
      why: 'rubbed down dry: no film around it, nothing to hide',
    });
  // Paper has an edge and a face of its own: a plate or a label does, lettering on paint does not.
  if (surface === 'flat' && (artwork.kind === 'plate' || artwork.kind === 'label'))
    offers.push({
      route: 'paper',
      minutes: 10 + 4 * count,
      against: facts.onClear ? ['paper shows from behind'] : [],
      why: 'plates and signs on thin card or paper, sealed',
    });
  return offers.sort(
    (p, q) => p.minutes + AGAINST_MINUTES * p.against.length - q.minutes - AGAINST_MINUTES * q.against.length,
  );
}

/** dE00 between a white that is printed and a white that it lies on, where the two are told apart; undefined where they are
 *  not, where either is no white, or is not known. */
export function otherWhite({ ink, base }: Pick<MarkingFacts, 'ink' | 'base'>): number | undefined {
  if (!ink || ink.transparent || !base || ink.lab.L < WHITE || base.L < WHITE) return undefined;
  const difference = ciede2000(ink.lab, base);
  return difference > SAME_WHITE ? difference : undefined;
}

/** Whether own prints need a white of their own under them: ink is transparent, and home printers lay no white. */
export const wantsWhiteUnder = ({ ink, base }: Pick<MarkingFacts, 'ink' | 'base'>): boolean =>
  base !== null && base.L < PALE && (ink === null || ink.transparent);

const againstFilm = ({ surface, film }: Marking, facts: MarkingFacts): string[] => {
  const white = otherWhite(facts);
  return [
    ...(film === 'cracked' ? ['its film is cracked: it falls apart in water unless it is coated first'] : []),
    ...(film === 'old' ? ['its film is old: try a spare in water first'] : []),
    ...(film === 'yellowed' ? ['its film has yellowed: it shows on white'] : []),
    ...(surface === 'strong' ? ['film stands up in creases on such a curve'] : []),
    ...(white !== undefined ? [`its white is ${white.toFixed(1)} dE from the white beneath`] : []),
    ...(facts.onClear ? ['on clear plastic, air under it shows silver, and finger prints stay'] : []),
  ];
};

const needsWhite = (facts: MarkingFacts): string[] =>
  !facts.laysWhite && wantsWhiteUnder(facts)
    ? ['home printers lay no white: it needs white film, or a white plate under it, on a base this dark']
    : [];
