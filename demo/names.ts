/** Made-up colour names by the region of the colour circle they suit. */
const HUE_NOUNS: Record<string, string[]> = {
  red: [
    'Hip Red',
    'Lantern Red',
    'Brick',
    'Poppy',
    'Signal Flag',
    'Barn Red',
    'Cordial',
    'Rowan',
    'Cherry Jam',
    'Ember',
  ],
  orange: [
    'Marmalade',
    'Apricot',
    'Lifeboat',
    'Terracotta',
    'Rust',
    'Saffron',
    'Bracken',
    'Copper Beech',
    'Squash',
    'Kiln',
  ],
  yellow: [
    'Gorse',
    'Straw',
    'Custard',
    'Primrose',
    'Mustard',
    'Corn',
    'Butter',
    'Sand',
    'Lemon Peel',
    'Broom',
  ],
  green: ['Fern', 'Moss', 'Paddock', 'Holly', 'Willow', 'Ivy', 'Reed', 'Bottle Green', 'Sage', 'Meadow'],
  teal: [
    'Lagoon',
    'Tide',
    'Verdigris',
    'Eel Green',
    'Kelp',
    'Sea Glass',
    'Mallard',
    'Spruce',
    'Duck Egg',
    'Harbour Green',
  ],
  blue: [
    'Harbour Blue',
    'Slate',
    'Ferry Blue',
    'Larkspur',
    'Cornflower',
    'Midnight',
    'Ink',
    'Rain',
    'Delphinium',
    'Pier Blue',
  ],
  violet: [
    'Plum',
    'Heather',
    'Aubergine',
    'Lilac',
    'Thistle',
    'Sloe',
    'Damson',
    'Mulberry',
    'Bramble',
    'Orchid',
  ],
  grey: ['Pebble', 'Flint', 'Fog', 'Ash', 'Gull', 'Pewter', 'Gravel', 'Smoke', 'Lead', 'Drizzle'],
  white: ['Chalk', 'Enamel White', 'Milk', 'Bone', 'Canvas', 'Sailcloth', 'Shell', 'Cream', 'Linen', 'Frost'],
  black: [
    'Coal',
    'Pitch',
    'Soot',
    'Tar',
    'Jackdaw',
    'Bootblack',
    'Stove Black',
    'Liquorice',
    'Jet Bead',
    'Night',
  ],
};

const ADJECTIVES = [
  'Old',
  'Pale',
  'Deep',
  'Dusty',
  'Bright',
  'Quiet',
  'Evening',
  'Morning',
  'Winter',
  'Summer',
  'Regatta',
  'Parade',
  'Workshop',
  'Garden',
  'Station',
  'Market',
  'Chapel',
  'Promenade',
  'Orchard',
  'Boathouse',
  'Bandstand',
  'Festival',
  'Tram',
  'Depot',
  'Cottage',
  'Weathered',
];

/** A hue region for naming, from CIELAB. */
export function hueRegion({ L, a, b }: { L: number; a: number; b: number }): string {
  const chroma = Math.hypot(a, b);
  if (L < 16) return 'black';
  if (L > 86 && chroma < 18) return 'white';
  if (chroma < 8) return 'grey';
  const hue = ((Math.atan2(b, a) * 180) / Math.PI + 360) % 360;
  if (hue < 38 || hue >= 345) return 'red';
  if (hue < 68) return 'orange';
  if (hue < 108) return 'yellow';
  if (hue < 170) return 'green';
  if (hue < 225) return 'teal';
  if (hue < 292) return 'blue';
  return 'violet';
}

/** A name not used before, fitting the colour. */
export function colourName(
  lab: { L: number; a: number; b: number },
  used: Set<string>,
  random: () => number,
): string {
  const nouns = HUE_NOUNS[hueRegion(lab)]!;
  for (let attempt = 0; ; attempt++) {
    const noun = nouns[Math.floor(random() * nouns.length)]!;
    const adjective = ADJECTIVES[Math.floor(random() * ADJECTIVES.length)]!;
    const second = ADJECTIVES[Math.floor(random() * ADJECTIVES.length)]!;
    const name =
      attempt < 4 && random() < 0.3
        ? noun
        : attempt < 200
          ? `${adjective} ${noun}`
          : `${second} ${adjective} ${noun}`;
    if (used.has(name)) continue;
    used.add(name);
    return name;
  }
}
