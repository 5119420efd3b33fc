import type { LayerKind, Tool } from './stack.ts';

/** How hard a life the vehicle had. */
export const LIVES = ['showroom', 'tidy', 'working', 'derelict'] as const;
export type Life = (typeof LIVES)[number];
/** Where nobody says. */
export const USUAL_LIFE: Life = 'tidy';

/** What a sub-assembly is, as far as dirt cares. */
export const WEATHER_PLACES = [
  'body',
  'chassis',
  'engine',
  'exhaust',
  'wheels',
  'tyres',
  'interior',
  'bright',
  'glass',
] as const;
export type WeatherPlace = (typeof WEATHER_PLACES)[number];

export type WeatheringId =
  'panel-wash' | 'detail-wash' | 'dry-brush' | 'dust' | 'soot' | 'rust' | 'streaks' | 'salt' | 'sand-through';

export interface WeatheringMethod {
  id: WeatheringId;
  name: string;
  /** How it is done, in order, with minutes to let it be before the next line. */
  steps: readonly { text: string; dryMinutes: number }[];
  rule: string;
}

const DAY = 24 * 60;

export const WEATHERING_METHODS: readonly WeatheringMethod[] = [
  {
    id: 'panel-wash',
    name: 'panel-line wash',
    steps: [
      { text: 'touch thin dark wash into each line with a fine brush; it runs by itself', dryMinutes: 20 },
      {
        text: 'wipe the flats with a swab hardly damp with its thinner, across the line',
        dryMinutes: 4 * 60,
      },
    ],
    rule: 'Over sealed gloss only: on bare or matt paint it stains.',
  },
  {
    id: 'detail-wash',
    name: 'flooded wash',
    steps: [
      { text: 'flood fins, bolts and corners with thin wash', dryMinutes: 20 },
      { text: 'wipe the high places clean', dryMinutes: 4 * 60 },
    ],
    rule: 'Over sealed paint; a brown one for iron, a black one for aluminium.',
  },
  {
    id: 'dry-brush',
    name: 'dry-brush',
    steps: [{ text: 'a lighter tone, brush wiped nearly dry, across edges and bolt heads', dryMinutes: 60 }],
    rule: 'On matt or satin; on gloss the brush skids.',
  },
  {
    id: 'dust',
    name: 'road dust',
    steps: [
      { text: 'tan powder from below, thickest behind the wheels, thin towards the middle', dryMinutes: 10 },
      { text: 'blow off what is loose; never rub', dryMinutes: 0 },
    ],
    rule: 'On matt, last of all; clear over it takes half away.',
  },
  {
    id: 'soot',
    name: 'soot',
    steps: [
      { text: 'black powder inside and just around the outlet, fading along the flow', dryMinutes: 10 },
    ],
    rule: 'Once the metal and its heat tints are finished.',
  },
  {
    id: 'rust',
    name: 'rust where water sits',
    steps: [
      { text: 'stipple red-brown on lower edges, brackets and weld seams, never evenly', dryMinutes: 60 },
      { text: 'rust powder into it while it is just damp, two tones', dryMinutes: 60 },
    ],
    rule: 'Where water and salt stay: low, behind, in corners.',
  },
  {
    id: 'streaks',
    name: 'streaks',
    steps: [
      { text: 'a dot of oil paint under a hinge, cap or rivet', dryMinutes: 5 },
      {
        text: 'draw it straight down with a clean brush damp with thinner, until it nearly goes',
        dryMinutes: DAY,
      },
    ],
    rule: 'Over sealed satin; gravity decides the direction.',
  },
  {
    id: 'salt',
    name: 'salt chipping',
    steps: [
      { text: 'rust colour first, sealed and cured', dryMinutes: DAY },
      { text: 'damp patches, coarse salt on them where paint wears off', dryMinutes: 2 * 60 },
      { text: 'body colour in mist coats over it', dryMinutes: 2 * 60 },
      { text: 'brush the salt off under water, dry', dryMinutes: 2 * 60 },
    ],
    rule: 'The colour over the salt must not dissolve the rust colour under it: seal between them.',
  },
  {
    id: 'sand-through',
    name: 'sanding through',
    steps: [
      { text: 'primer in rust or grey, sealed; then the colour in few coats', dryMinutes: DAY },
      {
        text: '4000 cloth, wet, on edges and where hands and boots rub, until the first colour shows',
        dryMinutes: 60,
      },
    ],
    rule: 'Only on cured paint, and before decals are sealed where they should wear too.',
  },
];

export interface WeatheringLayer {
  kind: LayerKind;
  productId: string;
  coats: number;
  mistCoats?: number;
  tool: Tool;
  /** Beneath the colour, or on top of all. */
  at: 'under' | 'over';
  because: string;
}

export interface WeatheringItem {
  trayId: string;
  place: WeatherPlace;
  method: WeatheringMethod;
  /** 1 a trace, 2 plain to see, 3 heavy. */
  amount: 1 | 2 | 3;
  because: string;
}

export interface WeatheringPlan {
  life: Life;
  /** In the order in which the work is done. */
  items: WeatheringItem[];
  /** Layers to add to each sub-assembly, with what seals them from each other. */
  layers: Record<string, WeatheringLayer[]>;
}

/** Method and amount for each place and life. */
const HABITS: Readonly<Record<WeatherPlace, Partial<Record<Life, [WeatheringId, 1 | 2 | 3][]>>>> = {
  body: {
    showroom: [],
    tidy: [['panel-wash', 1]],
    working: [
      ['panel-wash', 2],
      ['streaks', 1],
      ['dust', 1],
    ],
    derelict: [
      ['salt', 3],
      ['panel-wash', 2],
      ['streaks', 3],
      ['rust', 3],
      ['dust', 2],
    ],
  },
  chassis: {
    showroom: [],
    tidy: [
      ['detail-wash', 1],
      ['dust', 1],
    ],
    working: [
      ['detail-wash', 2],
      ['dry-brush', 1],
      ['rust', 1],
      ['dust', 2],
    ],
    derelict: [
      ['detail-wash', 3],
      ['rust', 3],
      ['dust', 3],
    ],
  },
  engine: {
    showroom: [['detail-wash', 1]],
    tidy: [['detail-wash', 1]],
    working: [
      ['detail-wash', 2],
      ['dry-brush', 1],
      ['dust', 1],
    ],
    derelict: [
      ['detail-wash', 3],
      ['rust', 2],
      ['dust', 2],
    ],
  },
  exhaust: {
    showroom: [],
    tidy: [['soot', 1]],
    working: [
      ['soot', 2],
      ['rust', 1],
    ],
    derelict: [
      ['soot', 2],
      ['rust', 3],
    ],
  },
  wheels: {
    showroom: [],
    tidy: [['detail-wash', 1]],
    working: [
      ['detail-wash', 2],
      ['dust', 1],
    ],
    derelict: [
      ['detail-wash', 2],
      ['rust', 2],
      ['dust', 2],
    ],
  },
  tyres: { showroom: [], tidy: [], working: [['dust', 1]], derelict: [['dust', 3]] },
  interior: {
    showroom: [],
    tidy: [['detail-wash', 1]],
    working: [
      ['detail-wash', 1],
      ['dry-brush', 1],
      ['dust', 1],
    ],
    derelict: [
      ['sand-through', 2],
      ['detail-wash', 2],
      ['dust', 3],
    ],
  },
  bright: { showroom: [], tidy: [], working: [['detail-wash', 1]], derelict: [['rust', 2]] },
  glass: { showroom: [], tidy: [], working: [['dust', 1]], derelict: [['dust', 3]] },
};

const REASONS: Readonly<Record<WeatherPlace, string>> = {
  body: 'Rain washes it, hands and branches rub it.',
  chassis: 'Everything the wheels throw up lands here.',
  engine: 'Oil, heat and a rag now and then.',
  exhaust: 'Heat at the port, soot at the outlet, water when it stands.',
  wheels: 'Brake dust in the corners, stones on the rim.',
  tyres: 'Dry earth in the side walls; the tread stays black.',
  interior: 'Boots on the floor, hands on the wheel.',
  bright: 'Wiped more often than the rest.',
  glass: 'The wipers keep their fields clean.',
};

const ORDER: readonly WeatheringId[] = [
  'salt',
  'sand-through',
  'panel-wash',
  'detail-wash',
  'dry-brush',
  'streaks',
  'rust',
  'soot',
  'dust',
];

/** A plan over a build: where, what, how much, in what order, sealed by what between. */
export function weatheringPlan(
  life: Life,
  trays: readonly { id: string; place: WeatherPlace }[],
): WeatheringPlan {
  const items = trays
    .flatMap(({ id, place }) =>
      (HABITS[place][life] ?? []).map(([methodId, amount]): WeatheringItem => ({
        trayId: id,
        place,
        method: WEATHERING_METHODS.find((method) => method.id === methodId)!,
        amount,
        because: REASONS[place],
      })),
    )
    .sort((p, q) => ORDER.indexOf(p.method.id) - ORDER.indexOf(q.method.id));
  const layers: Record<string, WeatheringLayer[]> = {};
  for (const { id } of trays) {
    const own = items.filter(({ trayId }) => trayId === id);
    if (own.length > 0) layers[id] = layersOf(own);
  }
  return { life, items, layers };
}

function layersOf(items: readonly WeatheringItem[]): WeatheringLayer[] {
  const has = (...ids: WeatheringId[]) => items.find(({ method }) => ids.includes(method.id));
  const layers: WeatheringLayer[] = [];
  const worn = has('salt', 'sand-through');
  if (worn) {
    layers.push({
      kind: 'undercoat',
      productId: 'generic-rust-brown',
      coats: 2,
      tool: 'airbrush',
      at: 'under',
      because: `What shows through where paint is gone (${worn.method.name}).`,
    });
  }
  const wet = has('panel-wash', 'detail-wash', 'streaks');
  if (wet) {
    layers.push(seal('generic-clear-acrylic', 'Seals the paint, so that the wash cannot bite or stain it.'), {
      kind: 'wash',
      productId: 'generic-wash',
      coats: 1,
      tool: 'brush',
      at: 'over',
      because: `${wet.method.name}, ${AMOUNTS[wet.amount]}.`,
    });
  }
  const brushed = has('dry-brush');
  const powders = (['rust', 'soot', 'dust'] as const).flatMap((id) => has(id) ?? []);
  if (brushed || powders.length > 0) {
    layers.push(seal('generic-clear-matt', 'Seals what lies below and gives tooth to what is dry.'));
  }
  if (brushed) {
    layers.push({
      kind: 'dry-brush',
      productId: 'generic-drybrush-pale',
      coats: brushed.amount,
      tool: 'brush',
      at: 'over',
      because: `${brushed.method.name}, ${AMOUNTS[brushed.amount]}.`,
    });
  }
  for (const { method, amount } of powders) {
    layers.push({
      kind: 'powder',
      productId: `generic-powder-${method.id}`,
      coats: amount,
      tool: 'hand',
      at: 'over',
      because: `${method.name}, ${AMOUNTS[amount]}.`,
    });
  }
  return layers;
}

export const AMOUNTS = { 1: 'a trace', 2: 'plain to see', 3: 'heavy' } as const;

function seal(productId: string, because: string): WeatheringLayer {
  return { kind: 'clear', productId, coats: 2, mistCoats: 2, tool: 'airbrush', at: 'over', because };
}

const PLACE_WORDS: readonly [RegExp, WeatherPlace][] = [
  [/\bglass|window|windscreen/i, 'glass'],
  [/tyre/i, 'tyres'],
  [/wheel|\brim/i, 'wheels'],
  [/exhaust|pipe|header|silencer|stack/i, 'exhaust'],
  [/engine|gearbox|motor/i, 'engine'],
  [/bright|chrome|plated|bumper|trim|rail/i, 'bright'],
  [/interior|seat|dash|tub|cockpit|carpet/i, 'interior'],
  [/chassis|frame|axle|suspension|underside|fork|cast metal/i, 'chassis'],
];

/** The place that a sub-assembly's name suggests. */
export function weatherPlace(name: string): WeatherPlace {
  return PLACE_WORDS.find(([word]) => word.test(name))?.[1] ?? 'body';
}
