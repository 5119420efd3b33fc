import type { Lab } from '../colour/index.ts';
import { vividWarm } from './vividWarm.ts';
import type { LayerKind, Sheen, Substrate, Tool } from './stack.ts';

/** What a finish is meant to look like. */
export const FINISH_LOOKS = [
  'solid',
  'metallic',
  'pearl',
  'candy',
  'bright metal',
  'rubber',
  'leather',
  'wood',
  'cloth',
  'tinted glass',
  'lamp',
] as const;
export type FinishLook = (typeof FINISH_LOOKS)[number];

/** What closes a gloss body: schools that builders hold to. */
export const CLEAR_SCHOOLS = ['lacquer', 'two-part', 'enamel', 'water', 'none'] as const;
export type ClearSchool = (typeof CLEAR_SCHOOLS)[number];

export interface StackWish {
  look: FinishLook;
  sheen: Extract<Sheen, 'gloss' | 'satin' | 'matt'>;
  substrate: Pick<Substrate, 'kind'> & { lightness: number };
  /** The colour wanted, CIELAB in daylight; undefined while nobody has chosen it. */
  wanted: Lab | undefined;
  decals: boolean;
  /** Decals under the clear, or on top of it. */
  decalsOver: boolean;
  polish: boolean;
  /** A hinge or sliding fit that has no room for primer. */
  tightFit: boolean;
  tool: Extract<Tool, 'airbrush' | 'can'>;
}

export interface SuggestedLayer {
  kind: LayerKind;
  /** A generic product; null for work by hand and for the colour that the builder chooses. */
  productId: string | null;
  coats: number;
  mistCoats?: number;
  tool: Tool;
  because: string;
}

export interface SuggestedStack {
  id: string;
  name: string;
  because: string;
  layers: SuggestedLayer[];
}

const CLEARS: Record<
  Exclude<ClearSchool, 'none'>,
  { productId: string; coats: number; mists: number; name: string; because: string }
> = {
  lacquer: {
    productId: 'generic-clear-lacquer',
    coats: 4,
    mists: 2,
    name: 'Lacquer clear',
    because: 'Dries in minutes, polishes well after a week; several thin coats, since it is thin.',
  },
  'two-part': {
    productId: 'generic-clear-2k',
    coats: 2,
    mists: 0,
    name: 'Two-part clear',
    because:
      'Hardest and deepest, in two coats; isocyanate, so only with the protection its safety sheet names.',
  },
  enamel: {
    productId: 'generic-clear-enamel',
    coats: 3,
    mists: 1,
    name: 'Enamel clear',
    because: 'Flows out like glass and attacks nothing, but cures slowly and yellows with age.',
  },
  water: {
    productId: 'generic-clear-acrylic',
    coats: 4,
    mists: 2,
    name: 'Water-based clear',
    because: 'Hardly any smell and safe over every paint; softer, and slow to harden enough to polish.',
  },
};

const DARK_PLASTIC = 40;

/** Stacks for a look, each layer with its reason: one for every school of clear where the look is closed with a
 *  clear, and further ways where builders differ (candy over silver or gold, primer or none). The colour itself
 *  stays what the builder chose. Throws RangeError for plating and glass that should carry a body colour. */
export function suggestStacks(wish: StackWish): SuggestedStack[] {
  const { look, substrate, tool } = wish;
  if (look === 'tinted glass') return [tintedGlass(wish)];
  if (substrate.kind === 'clear' && look !== 'lamp') {
    throw new RangeError(
      'This part is clear: choose tinted glass or lamp, or another plastic in the Kit stage.',
    );
  }
  if (look === 'bright metal') return brightMetal(wish);
  if (look === 'rubber' || look === 'leather' || look === 'wood' || look === 'cloth' || look === 'lamp') {
    return [small(wish)];
  }
  const bases = look === 'candy' ? candyBases(tool) : [undefined];
  const stacks: SuggestedStack[] = [];
  for (const base of bases) {
    const under = [...primers(wish), ...(base ? base.layers : undercoats(wish))];
    const named = base ? `, over ${base.name}` : '';
    if (wish.sheen !== 'gloss') {
      stacks.push({
        id: `${wish.sheen}${named}`,
        name: `${wish.sheen === 'matt' ? 'Matt' : 'Satin'} body${named}`,
        because: `A ${wish.sheen} clear closes it: the sheen is even whatever the paint under it does.`,
        layers: [...under, colour(wish), ...decalsAndSheen(wish)],
      });
      continue;
    }
    for (const school of CLEAR_SCHOOLS) {
      if (school === 'none' && look !== 'solid') continue;
      stacks.push(glossBody(wish, school, under, named));
    }
  }
  return stacks;
}

function primers({ substrate, wanted, tightFit, tool, look }: StackWish): SuggestedLayer[] {
  if (tightFit) return [];
  const layer = (productId: string, because: string): SuggestedLayer[] => [
    { kind: 'primer', productId, coats: 2, tool, because },
  ];
  if (substrate.kind === 'plated') {
    return layer('generic-primer-grey', 'Paint does not hold on plating: strip or key it, then prime.');
  }
  if (look === 'candy' || look === 'metallic') {
    return layer(
      'generic-primer-grey',
      'Shows scratches before the metal does; its colour is covered anyway.',
    );
  }
  if (wanted && vividWarm(wanted)) {
    return layer(
      'generic-primer-pink',
      'Bright red, orange and yellow hide poorly; pink or white under them keeps them clean.',
    );
  }
  if (wanted && wanted.L > 70) {
    return layer(
      'generic-primer-white',
      substrate.lightness < DARK_PLASTIC
        ? 'A light colour over dark plastic fails: white first, or it takes a dozen coats.'
        : 'Pale colours stay bright over white.',
    );
  }
  if (wanted && wanted.L < 25)
    return layer('generic-primer-black', 'Dark colours close in two coats over black.');
  return layer('generic-primer-grey', 'Grey shows every blemish and suits a middling colour.');
}

function undercoats({ look, tool, substrate, wanted, tightFit }: StackWish): SuggestedLayer[] {
  if (look === 'metallic') {
    return [
      {
        kind: 'undercoat',
        productId: 'generic-black-gloss',
        coats: 2,
        tool,
        because: 'Metallics look deep over gloss black, and flake lies flat on gloss.',
      },
    ];
  }
  if (look === 'pearl') {
    return [
      {
        kind: 'undercoat',
        productId: 'generic-primer-white',
        coats: 2,
        tool,
        because: 'Pearl lets light through: it wants an even ground of its own colour or white.',
      },
    ];
  }
  if (tightFit && wanted && wanted.L > 70 && substrate.lightness < DARK_PLASTIC) {
    return [
      {
        kind: 'undercoat',
        productId: 'generic-silver',
        coats: 1,
        tool,
        because: 'Without room for primer, one thin silver hides dark plastic with the least film.',
      },
    ];
  }
  return [];
}

function candyBases(tool: StackWish['tool']): { name: string; layers: SuggestedLayer[] }[] {
  const black: SuggestedLayer = {
    kind: 'undercoat',
    productId: 'generic-black-gloss',
    coats: 2,
    tool,
    because: 'The metal under a candy shows every roughness: gloss black, cured a day, is its mirror.',
  };
  const metal = (productId: string, because: string): SuggestedLayer => ({
    kind: 'metal',
    productId,
    coats: 2,
    mistCoats: 1,
    tool: 'airbrush',
    because,
  });
  return [
    {
      name: 'silver',
      layers: [black, metal('generic-silver', 'Silver keeps the candy cool and bright.')],
    },
    { name: 'gold', layers: [black, metal('generic-gold', 'Gold makes red and orange candy glow warmer.')] },
  ];
}

function colour({ look, tool, tightFit }: StackWish): SuggestedLayer {
  const because =
    look === 'candy'
      ? 'Transparent: every coat darkens it, so count them and stop at the spoon.'
      : look === 'metallic'
        ? 'One mist, then wets; a last dusted coat evens the flake.'
        : tightFit
          ? 'A dusted coat grips, then thin wets; no primer, so key and degrease first.'
          : 'A dusted coat grips, then wets until it closes.';
  return { kind: 'colour', productId: null, coats: look === 'candy' ? 4 : 3, mistCoats: 1, tool, because };
}

const DECALS: SuggestedLayer = {
  kind: 'decal',
  productId: null,
  coats: 1,
  tool: 'hand',
  because: 'On gloss, where they do not silver; dry overnight before anything else.',
};
const DECALS_OVER: SuggestedLayer = {
  ...DECALS,
  because: 'On top of the clear, the school that keeps solvent away from them; their edges stay to be seen.',
};

function glossBody(
  wish: StackWish,
  school: ClearSchool,
  under: SuggestedLayer[],
  named: string,
): SuggestedStack {
  const { decals, decalsOver, polish, tool } = wish;
  const layers = [...under, colour(wish)];
  if (school === 'none') {
    if (polish)
      layers.push(work('polish', 'Only where the colour is thick enough; metallics never without clear.'));
    if (decals) layers.push(DECALS_OVER);
    return {
      id: `none${named}`,
      name: `No clear, gloss straight${named}`,
      because: 'The least film and the quickest: the gloss of the paint itself, spray-can style.',
      layers,
    };
  }
  const { productId, coats, mists, name, because } = CLEARS[school];
  if (decals && !decalsOver) layers.push(DECALS);
  // Over decals the first coats must be dry ones.
  const mistCoats = decals && !decalsOver ? Math.max(mists, 2) : mists;
  const all = Math.max(coats, mistCoats + 1) + (polish && school !== 'two-part' ? 1 : 0);
  layers.push({
    kind: 'clear',
    productId,
    coats: all,
    ...(mistCoats > 0 ? { mistCoats } : {}),
    tool,
    because: polish && school !== 'two-part' ? `${because} One coat more, to polish into.` : because,
  });
  if (polish) {
    layers.push(
      work('flat', 'Takes dust and orange peel down; edges and raised lines are left alone.'),
      work('polish', 'Compound brings the gloss back, beyond what any spray leaves.'),
    );
  }
  if (decals && decalsOver) layers.push(DECALS_OVER);
  return { id: `${school}${named}`, name: `${name}${named}`, because, layers };
}

const work = (kind: 'flat' | 'polish', because: string): SuggestedLayer => ({
  kind,
  productId: null,
  coats: 1,
  tool: 'hand',
  because,
});

/** Satin or matt clear, with gloss under decals so that they do not silver. */
function decalsAndSheen({ sheen, decals, tool }: StackWish): SuggestedLayer[] {
  const closing: SuggestedLayer = {
    kind: 'clear',
    productId: sheen === 'matt' ? 'generic-clear-matt' : 'generic-clear-satin',
    coats: 2,
    mistCoats: 1,
    tool,
    because: 'Gives the even sheen; thin coats, or its flatting agent clouds.',
  };
  if (!decals) return [closing];
  return [
    {
      kind: 'clear',
      productId: 'generic-clear-lacquer',
      coats: 1,
      tool,
      because: 'Decals silver on a dull surface: one gloss coat first.',
    },
    DECALS,
    { ...closing, coats: 3, mistCoats: 2 },
  ];
}

function brightMetal(wish: StackWish): SuggestedStack[] {
  const { tool, substrate } = wish;
  const ground: SuggestedLayer[] = [
    ...(substrate.kind === 'plated'
      ? primers(wish)
      : wish.tightFit
        ? []
        : [
            {
              kind: 'primer' as const,
              productId: 'generic-primer-grey',
              coats: 1,
              tool,
              because: 'One thin coat to find scratches: a mirror shows them all.',
            },
          ]),
    {
      kind: 'undercoat',
      productId: 'generic-black-gloss',
      coats: 2,
      tool,
      because: 'The mirror is only as smooth as this; let it cure a day.',
    },
  ];
  const metal = (productId: string, because: string, coats: number): SuggestedLayer => ({
    kind: 'metal',
    productId,
    coats,
    mistCoats: coats - 1,
    tool: 'airbrush',
    because,
  });
  return [
    {
      id: 'metal-lacquer',
      name: 'Gloss black and metal lacquer',
      because: 'Near chrome, and can be buffed; no tape and no clear on it.',
      layers: [
        ...ground,
        metal('generic-metal-lacquer', 'Dusted on in thin passes until the black is gone.', 3),
      ],
    },
    {
      id: 'chrome-ink',
      name: 'Gloss black and chrome ink',
      because: 'The brightest paint; days to cure, and a finger or a wet clear dulls it for good.',
      layers: [
        ...ground,
        metal('generic-chrome-ink', 'As little as possible: the thinner the film, the brighter.', 2),
      ],
    },
  ];
}

function tintedGlass({ tool }: StackWish): SuggestedStack {
  return {
    id: 'tinted-glass',
    name: 'Tinted glass',
    because: 'Transparent colour on the inside of clean, clear plastic, in passes.',
    layers: [
      {
        kind: 'colour',
        productId: null,
        coats: 2,
        mistCoats: 2,
        tool,
        because: 'Dusted, from inside: each pass takes the same share of the light again.',
      },
    ],
  };
}

/** Rubber, leather, wood, cloth and lamps: small things that want little film. */
function small(wish: StackWish): SuggestedStack {
  const { look, tool } = wish;
  const closing = (productId: string, because: string): SuggestedLayer => ({
    kind: 'clear',
    productId,
    coats: 2,
    // A wet first coat would lift a wash or a tint.
    mistCoats: 1,
    tool,
    because,
  });
  const wash: SuggestedLayer = {
    kind: 'wash',
    productId: 'generic-wash',
    coats: 1,
    tool: 'brush',
    because: 'Settles in creases and grain; over sealed paint only.',
  };
  const sealed: SuggestedLayer = closing(
    'generic-clear-lacquer',
    'Seals the colour, so that the wash wipes back.',
  );
  const ground = look === 'lamp' || look === 'rubber' ? [] : primers(wish);
  const base = colour(wish);
  switch (look) {
    case 'rubber':
      return {
        id: 'rubber',
        name: 'Rubber',
        because: 'Dark grey rather than black, in light passes, semi-matt; kept off bare rims.',
        layers: [
          { ...base, coats: 4, mistCoats: 2, because: 'Light passes, or it creeps under the mask.' },
          closing('generic-clear-satin', 'Rubber is neither glossy nor dead matt.'),
        ],
      };
    case 'leather':
      return {
        id: 'leather',
        name: 'Leather',
        because: 'A colour, a dark wash in the seams, a satin skin.',
        layers: [
          ...ground,
          { ...base, coats: 2 },
          sealed,
          wash,
          closing('generic-clear-satin', 'The sheen of polished hide.'),
        ],
      };
    case 'wood':
      return {
        id: 'wood',
        name: 'Varnished wood',
        because: 'Tan, grain by wash, then a transparent orange for the varnish.',
        layers: [
          ...ground,
          { ...base, coats: 2, because: 'The tan of bare wood, lighter than it will end.' },
          sealed,
          wash,
          closing('generic-clear-lacquer', 'Varnish; tint it with clear orange for age.'),
        ],
      };
    case 'lamp':
      return {
        id: 'lamp',
        name: 'Lamp over silver',
        because: 'Clear colour over a bright base looks lit from behind.',
        layers: [
          { kind: 'metal', productId: 'generic-silver', coats: 1, tool: 'brush', because: 'The reflector.' },
          { ...base, coats: 2, mistCoats: 0, tool: 'brush', because: 'Clear red, orange or green, pooled.' },
        ],
      };
    default:
      return {
        id: 'cloth',
        name: 'Cloth',
        because: 'Dead matt, with creases a shade darker.',
        layers: [
          ...ground,
          { ...base, coats: 2 },
          { ...wash, because: 'A thin dark wash pools in folds.' },
          { ...closing('generic-clear-matt', 'Cloth has no shine at all.'), tool },
        ],
      };
  }
}
