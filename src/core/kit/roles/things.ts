import type { JointKind, Motion, Seam } from '../kit.ts';
import { SYSTEMS, type System } from './systems.ts';

/** Something that kits have, by whatever name. */
export interface Thing {
  id: string;
  system: System;
  /** What it is called, in British and American usage; the plural and spaces do not matter. */
  names: readonly string[];
  /** Only where nothing but side and number is said besides: a "frame" is the chassis, a "seat frame" is not. */
  alone: boolean;
  /** What it goes on: for each of its joints the things that could carry it, the usual first; `axle@rear` is one at that
   *  end, `arm@lower` the lower one. */
  on: readonly (readonly string[])[];
  kind: JointKind;
  seam: Seam;
  motion: Motion;
  because: string;
}

/** One thing a line: its id = its names > what carries it (a plus between joints, a dash for nothing) : why, and in
 *  brackets what is unusual about it or its joint. */
const TABLES = {
  body: `
    body = body, body shell, main body, car body, bodywork, monocoque, tub body, upper body, coachwork > frame floor-pan : the body goes over the chassis [alone]
    cab = cab, cabin shell, driver cab, cab shell, truck cab > frame : the cab stands on the frame [alone]
    cab-floor = cab floor, cabin floor > cab frame : the floor closes the cab
    cab-back = cab back, cab rear, cab rear wall, rear wall of cab, cab back panel, cab rear panel > cab : the wall closes the cab [vanish]
    sleeper = sleeper, sleeper box, sleeper cab > frame cab : the sleeper stands behind the cab
    fairing = fairing, cowling, half fairing, wind deflector, air deflector, roof deflector > cab frame : the fairing is fixed in front of the air
    roof = roof, roof panel, hardtop, hard top, top panel > body cab : the roof closes the body [panel-line]
    soft-top = soft top, convertible top, hood cover, folded top, tonneau, tonneau cover > body : it lies on the body
    bonnet = bonnet, hood, engine lid, engine hood, bonnet panel > body cab : lids swing on the body [lid]
    boot-lid = boot lid, boot, trunk lid, trunk, deck lid, decklid, rear lid, tailgate, hatch, hatchback > body : lids swing on the body [lid]
    door = door, side door, cab door > body cab : doors swing on the body [lid]
    filler-flap = filler flap, fuel flap, filler cap, fuel cap, fuel filler, petrol cap, gas cap, tank cap > fuel-tank body : the cap closes the filler
    fender = fender, mudwing, wheel fender > body cab fork frame : it is part of the body [panel-line]
    wing = wing, front wing, fore wing, wing main plane, front wing main plane > nose body cab : it is fixed to the front of the body [panel-line]
    rear-wing = rear wing, aerofoil, airfoil, rear wing main plane, rear aerofoil > wing-post body boot-lid : it stands on its posts
    wing-post = wing post, wing support, wing stay, wing mount, wing strut, wing pylon > gearbox body boot-lid : the posts carry the wing
    end-plate = end plate, wing end plate, wing endplate > wing rear-wing : plates close the ends of the wing
    wing-flap = wing flap, front flap, flap > wing rear-wing : the flap sits behind the main plane [alone]
    spoiler = spoiler, rear spoiler, ducktail > boot-lid body : it stands on the lid
    air-dam = air dam, front spoiler, chin spoiler, splitter, front lip > bumper body : it hangs under the nose
    nose = nose, nose cone, nosecone, nose section > body : the nose closes the front [panel-line]
    engine-cover = engine cover, engine cowl, engine cowling, rear deck, rear cowl, rear cowling, tail section, tail cowl > body : the cover closes the rear [panel-line]
    sidepod = side pod, sidepod > body : pods stand beside the body
    roll-bar = roll bar, roll hoop, rollover bar, roll cage > body tub : the hoop stands behind the driver
    air-box = air box, airbox, air scoop, air intake scoop, ram air box > engine-cover body : the box feeds the engine
    valance = valance, apron, front apron, rear apron, front valance, rear valance, gravel pan > body : it is part of the body [vanish]
    cowl = cowl, scuttle, cowl panel > body : it is part of the body [vanish]
    sill = sill, rocker panel, sill panel, side skirt, side sill > body : it is part of the body [vanish]
    firewall = firewall, bulkhead, fire wall > body cab : it parts engine and cabin
    inner-arch = inner arch, inner fender, inner wing, wheel arch, wheel well, wheelhouse, inner wheel arch, inner panel > body : arches line the body
    running-board = running board > body cab frame : boards run along the body
    front-panel = front panel, front end, nose panel, front clip > body cab : it closes the front [vanish]
    rear-panel = rear panel, back panel, tail panel, rear end panel > body cab : it closes the rear [vanish]
    floor-pan = floor pan, floorpan, underbody, under body, undertray, under tray, underpan, underfloor, floor plate > frame : the floor lies on the frame`,
  chassis: `
    frame = frame, chassis, chassis frame, main frame, ladder frame, chassis plate, chassis base, base frame > - : it carries the rest [alone]
    frame-rail = frame rail, chassis rail, side rail, side member, frame side > - : it carries the rest
    subframe = subframe, sub frame, seat rail, rear subframe > frame : it is part of the frame
    cross-member = cross member, crossmember, cross beam, chassis cross member > frame : it ties the rails
    radiator = radiator, rad, radiator core, oil cooler, intercooler > radiator-frame frame body : it stands at the front of the frame
    radiator-frame = radiator frame, radiator support, radiator shell, radiator surround, core support > frame body : it holds the radiator
    fan-shroud = fan shroud, radiator shroud > radiator : it guides the air to the radiator
    battery = battery, battery box, accumulator > frame body : it stands on the frame
    fifth-wheel = fifth wheel, 5th wheel, fifth wheel plate, turntable > frame : it couples the trailer
    air-tank = air tank, air reservoir, compressed air tank, air bottle > frame : air tanks hang on the frame
    tow-hook = tow hook, towing hook, tow eye, towing eye > bumper frame : hooks sit at the ends of the frame
    step = step, cab step, entry step, boarding step > fuel-tank cab frame : steps lead to the cab [alone]
    mud-flap = mud flap, mudflap, splash guard > mudguard frame : flaps hang behind the wheels
    stand = kick stand, kickstand, side stand, centre stand, center stand, prop stand > frame : the stand swings under the frame [press swings]
    foot-peg = foot peg, footpeg, foot rest, footrest, rider peg, pillion peg, pillion footrest > frame : pegs are fixed to the frame`,
  suspension: `
    front-axle = front axle, front beam axle, i beam axle > fork leaf-spring coil-spring frame : the axle hangs on its springs
    axle = axle, rear axle, drive axle, rear axle housing, back axle, live axle, axle housing, tandem axle, axle casing > leaf-spring coil-spring frame : the axle hangs on its springs
    leaf-spring = leaf spring, leafspring, spring pack > frame : springs hang on the frame
    coil-spring = coil spring, spring > arm@lower arm axle front-axle frame : springs sit between axle and frame
    damper = damper, shock absorber, shock, shocks, shock unit, rear shock, coilover, suspension unit, rear suspension unit, strut > swing-arm arm@lower arm axle front-axle frame : dampers sit between axle and frame
    arm = control arm, wishbone, a arm, suspension arm, trailing arm, radius arm, radius rod, lower arm, upper arm, lower wishbone, upper wishbone, rocker arm, front arm, rear arm, suspension link > frame body floor-pan : arms swing on the frame
    upright = upright, steering knuckle, knuckle, spindle, stub axle, hub carrier, kingpin > arm front-axle : uprights join the arms
    tie-rod = tie rod, track rod, steering rod, steering arm, drag link, steering linkage > upright@front upright front-axle : the rod steers the uprights
    anti-roll-bar = anti roll bar, antiroll bar, sway bar, stabilizer bar, stabiliser bar > frame body arm : the bar ties both sides
    steering-box = steering box, steering gear, steering rack, rack and pinion > frame body : it is fixed to the frame
    equaliser = walking beam, equalizer beam, equaliser beam, bogie beam, torque rod, bogie > frame : it ties the two axles
    fork = fork, front fork, fork leg, fork tube, fork stanchion, fork upper > yoke : legs stand in the yokes
    fork-slider = fork slider, fork bottom, fork lower, lower fork leg, slider, fork outer > fork : sliders run on the tubes
    yoke = yoke, triple clamp, triple tree, upper yoke, lower yoke, steering stem, fork crown, fork yoke, steering head > frame : yokes turn in the head of the frame [press turns]
    swing-arm = swing arm, swingarm, swinging arm, rear fork > frame : the arm swings in the frame [press swings]`,
  engine: `
    block = engine block, block, engine, cylinder block, motor, crankcase, crank case, engine case, engine half, engine unit, short block > frame : the engine sits in the frame [alone sits-in]
    cylinder = cylinder, cylinder barrel, barrel > block : cylinders stand on the crankcase
    head = cylinder head, head, engine head > cylinder block : heads close the cylinders [alone]
    rocker-cover = rocker cover, valve cover, cam cover, rocker box, tappet cover, camshaft cover > head block : covers close the heads
    sump = sump, oil pan, oil sump > block : the sump closes the block [panel-line]
    timing-cover = timing cover, timing chain cover, front cover, timing case, engine front, engine front cover > block : it closes the front of the block
    case-cover = crankcase cover, clutch cover, generator cover, alternator cover, primary cover, engine side cover, magneto cover, points cover > block : covers close the crankcase
    intake = intake manifold, inlet manifold, induction manifold, intake > head block : it feeds the heads
    carburettor = carburettor, carburetor, carb, throttle body, injector, fuel injection, carburettors > intake head cylinder block : it feeds the engine
    air-cleaner = air cleaner, air filter, air cleaner housing, airfilter > carburettor intake : it sits on the carburettor
    trumpet = trumpet, velocity stack, intake trumpet, inlet trumpet, intake stack, ram pipe > carburettor intake : trumpets stand on the throttles
    blower = blower, supercharger > intake block : it stands on the intake
    turbo = turbo, turbocharger > exhaust-manifold : the turbo hangs on the manifold
    distributor = distributor, distributor cap, magneto > block : it stands in the block
    starter = starter, starter motor > block : it hangs on the block
    generator = generator, alternator, dynamo > block : it hangs on the block
    water-pump = water pump, coolant pump > block : it hangs on the block
    fan = fan, cooling fan, engine fan, fan blade, radiator fan > water-pump pulley block : the fan turns in front of the block
    pulley = pulley, fan belt, crank pulley, pulleys and belt, fan pulley, v belt, drive belt > water-pump block : pulleys sit on the front of the block
    oil-filter = oil filter > block : it hangs on the block
    fuel-pump = fuel pump, petrol pump, injection pump > block : it hangs on the block
    ignition-coil = ignition coil, coil > block firewall : it is fixed near the engine [alone]
    engine-mount = engine mount, motor mount, engine bracket, engine hanger, engine plate > frame : mounts carry the engine
    kick-starter = kick starter, kickstarter, kick start, kickstart lever > block : it turns on the crankcase [press]
    air-compressor = air compressor, compressor > block : it hangs on the block`,
  drive: `
    gearbox = gearbox, gear box, transmission, transaxle, gear case, gearbox case, transmission case > block : it closes the rear of the engine [alone]
    bell-housing = bell housing, clutch housing > block : it closes the rear of the engine
    prop-shaft = propeller shaft, prop shaft, propshaft, drive shaft, driveshaft, cardan shaft > gearbox block + axle@rear differential : the shaft runs from gearbox to axle
    half-shaft = half shaft, halfshaft, cv shaft, output shaft > differential gearbox : shafts lead to the wheels
    differential = differential, diff, diff cover, differential cover, axle cover, final drive > axle frame : it sits in the axle
    chain = chain, drive chain > sprocket swing-arm : the chain runs over the sprockets
    sprocket = sprocket, rear sprocket, chain wheel > wheel : the sprocket is fixed to the wheel
    chain-guard = chain guard, chain case, chain cover > swing-arm frame : the guard covers the chain`,
  exhaust: `
    exhaust-manifold = exhaust manifold, header, exhaust header, headers > head block : manifolds hang on the heads
    exhaust-pipe = exhaust pipe, exhaust, exhaust system, down pipe, downpipe, front pipe, head pipe, header pipe > exhaust-manifold head cylinder block : pipes begin at the head
    silencer = silencer, muffler, exhaust silencer, exhaust muffler > exhaust-pipe frame floor-pan : the silencer ends the pipe
    tail-pipe = tail pipe, tailpipe, exhaust tip, exhaust end > silencer exhaust-pipe exhaust-manifold : it ends the silencer
    exhaust-stack = exhaust stack, stack, smoke stack > cab frame : stacks stand behind the cab [alone]
    heat-shield = heat shield, stack shield, exhaust shield, exhaust guard > exhaust-stack exhaust-pipe silencer : shields cover the pipe`,
  brakes: `
    brake-disc = brake disc, brake disk, disc, brake rotor, rotor, disc rotor > hub upright wheel : discs turn with the hub
    brake-drum = brake drum, drum, drum brake > axle front-axle upright wheel : drums sit on the axle ends
    back-plate = back plate, backing plate, brake back plate, brake plate, brake backing plate > brake-drum axle front-axle upright arm hub wheel : plates close the drums
    caliper = caliper, calliper, brake caliper, brake calliper > brake-disc upright fork : calipers grip the disc
    master-cylinder = master cylinder, brake booster, brake servo, brake master cylinder, clutch master cylinder > handlebar firewall body : it is fixed by the lever or pedal`,
  wheels: `
    hub = hub, wheel hub, front hub, rear hub > upright axle front-axle : hubs turn on the axle ends [press turns]
    wheel = wheel, rim, wheel rim, road wheel, wire wheel, front wheel, rear wheel, wheel outer, outer rim, spoked wheel > hub brake-drum brake-disc back-plate upright axle front-axle fork swing-arm : wheels turn on their hubs [press turns]
    wheel-inner = wheel inner, inner rim, wheel back, wheel insert, rim insert, inner wheel, wheel centre, wheel center, wheel half, wheel disc > wheel : it closes the wheel [press]
    tyre = tyre, tire, front tyre, rear tyre, front tire, rear tire > wheel : a tyre goes on its rim [tyre]
    hub-cap = hub cap, hubcap, wheel cover, wheel trim, trim ring, wheel cap, centre cap, center cap > wheel : caps press into the wheel [press]
    wheel-nut = wheel nut, lug nut, spinner, knock off, knockoff, wheel spinner, hub nut, centre nut, center nut > wheel : the nut closes the wheel [press]
    spare-wheel = spare wheel, spare tyre, spare tire > boot-floor body frame : the spare lies in the boot
    bushing = poly cap, polycap, bushing, hub bushing, vinyl bushing, wheel bushing > hub upright back-plate wheel : a bushing sits in its hub [sits-in]
    mudguard = mudguard, mud guard, front mudguard, rear mudguard > frame swing-arm fork : guards cover the wheel
    axle-pin = axle pin, wheel axle, metal axle, wheel pin, wheel spindle > frame : the pin carries the wheels [press]`,
  cabin: `
    tub = interior tub, tub, interior, interior bucket, cockpit, cockpit tub, interior floor, cabin floor pan, interior pan > floor-pan frame body cab : the tub stands on the floor [alone]
    dash = dashboard, dash, dash board, instrument panel, fascia, facia, dash panel > tub cowl cab body : the dash is fixed under the cowl
    gauge = gauge, instrument, instrument cluster, speedometer, tachometer, clock, gauge cluster, meter, instruments > dash handlebar yoke : instruments sit before the driver [sits-in]
    glove-box = glove box, glovebox, ash tray, radio > dash : it sits in the dash
    seat = seat, front seat, rear seat, bench seat, bucket seat, saddle, driver seat, passenger seat, dual seat, back seat, rear bench, front bench, seat bottom, seat cushion > tub cab-floor cab floor-pan frame body : seats stand on the floor
    seat-back = seat back, seatback, backrest, back rest, head rest, headrest > seat : backs stand on the seat
    seat-belt = seat belt, safety belt, seat harness, harness > seat : belts lie on the seat
    door-card = door card, door trim, door panel, inner door panel, interior side, side panel inner, door lining, interior panel, inner door, interior door panel, interior side panel > tub door body : cards line the sides
    steering-wheel = steering wheel > steering-column dash : the wheel ends the column
    steering-column = steering column, column, steering shaft > dash tub : the column hangs under the dash
    gear-lever = gear lever, gearshift, gear shift, shifter, shift lever, gear stick, gearstick, gear change lever, floor shift, gear shifter > console tub cab-floor gearbox block : the lever stands in the floor
    hand-brake = hand brake, handbrake, parking brake, hand brake lever, parking brake lever, park brake lever > console tub cab-floor : the lever stands in the floor
    console = console, centre console, center console, transmission tunnel > tub : it runs between the seats
    pedal = pedal, brake pedal, clutch pedal, accelerator, gas pedal, pedals > firewall tub cab-floor : pedals hang before the driver
    inside-mirror = rear view mirror, rearview mirror, interior mirror, inside mirror, driving mirror > windscreen roof : it hangs behind the screen
    sun-visor = sun visor, sunvisor, visor > roof body cab : visors hang above the screen
    parcel-shelf = parcel shelf, package tray, rear shelf, package shelf, hat shelf > tub body : the shelf lies behind the seat
    boot-floor = boot floor, trunk floor, boot pan, luggage floor > tub body frame : it lies behind the seats
    headliner = headliner, headlining, roof lining > roof body : it lines the roof`,
  glass: `
    windscreen = windscreen, windshield, front window, front glass, front screen, wind screen, windscreen glass, windshield glass, screen > screen-frame body cab fairing handlebar : glass sits in its opening [glass]
    screen-frame = screen frame, windscreen frame, windshield frame, windscreen surround > cowl body : the frame stands on the cowl
    rear-window = rear window, rear screen, backlight, back window, rear glass, back glass, rear windshield > body cab-back cab roof : glass sits in its opening [glass]
    side-window = side window, side glass, door glass, door window, quarter window, quarter light, quarter glass, vent window, side windows > door body cab : glass sits in its opening [glass]
    glass = glass, window, windows, window glass, glazing, clear glass, window unit, window set > body cab : glass sits in its opening [alone glass]`,
  lamps: `
    headlamp = headlamp, headlight, head lamp bucket, headlamp bucket, headlight bucket, headlamp housing, headlight housing, headlamp shell, headlight shell, headlamp bowl, headlamp body > headlamp-bracket fork yoke fender wing front-panel body cab grille bumper : lamps are set into the front
    headlamp-bracket = headlamp bracket, headlight bracket, headlamp stay, lamp bracket, headlamp mount > fork yoke frame : it carries the lamp
    headlamp-lens = headlamp lens, headlight lens, headlamp glass, headlight glass, headlamp cover, headlight cover > headlamp-rim headlamp body : the lens closes the lamp [glass]
    headlamp-rim = headlamp rim, headlight rim, headlamp bezel, headlight bezel, headlamp ring, headlight ring, headlight surround, headlamp surround > headlamp fender wing body : the rim closes the lamp [press]
    tail-lamp = tail lamp, taillamp, tail light, taillight, rear lamp, rear light, stop lamp, brake light, tail lamp housing, tail light housing, tail light bezel, tail lamp bezel, stop light > rear-panel mudguard@rear fender@rear bumper@rear body frame : lamps are set into the rear
    tail-lens = tail lamp lens, tail light lens, taillight lens, taillamp lens, rear lamp lens, rear light lens, stop lamp lens, brake light lens > tail-lamp body : the lens closes the lamp [glass]
    indicator = indicator, turn signal, flasher, blinker, direction indicator, side lamp, parking lamp, parking light, sidelight, marker light, marker lamp, clearance light, side marker, cab light, roof light, running light > cab body handlebar bumper grille fork fender wing : lamps are set into the body
    indicator-lens = indicator lens, turn signal lens, parking light lens, marker light lens, side marker lens, flasher lens > indicator body bumper cab : the lens closes the lamp [glass]
    fog-lamp = fog lamp, fog light, foglight, spot lamp, spot light, spotlight, driving lamp, driving light, spotlamp > bumper grille body : it stands on the bumper
    fog-lens = fog lamp lens, fog light lens, spotlight lens, driving light lens, spot lamp lens > fog-lamp : the lens closes the lamp [glass]
    reflector = reflector > tail-lamp bumper mudguard : it sits beside the lamp [alone]`,
  trim: `
    bumper = bumper, front bumper, rear bumper, bumper bar > body frame cab : bumpers stand at the ends
    bumper-iron = bumper iron, bumper bracket, bumper mount, bumper support > frame bumper : irons carry the bumper
    over-rider = over rider, overrider, bumper guard, bumperette > bumper : guards stand on the bumper
    grille = grille, grill, radiator grille, front grille, radiator grill > front-panel body cab radiator-frame : the grille fills the front
    number-plate = number plate, license plate, licence plate, registration plate, plate holder, license plate bracket, number plate holder > bumper boot-lid mudguard@rear fender@rear body : the plate is fixed at the end
    wiper = wiper, windscreen wiper, windshield wiper, wiper arm, wiper blade > cowl windscreen body cab : wipers lie on the screen
    door-handle = door handle, outside door handle, outer door handle, handle > door body cab : handles stand on the door [alone]
    door-mirror = door mirror, wing mirror, side mirror, outside mirror, mirror, side view mirror, external mirror, exterior mirror, mirror arm, cab mirror > handlebar door fender cab body : mirrors stand outside
    aerial = aerial, antenna, radio aerial, radio antenna > fender wing body cab : it stands on the body
    emblem = badge, emblem, mascot, hood ornament, bonnet mascot, hood emblem, name plate, nameplate, script > bonnet grille body cab : badges sit on the body
    moulding = moulding, molding, side spear, trim strip, side trim, chrome strip, body trim, drip rail, side moulding, side molding > body door : strips lie along the body
    horn = horn, air horn > cab frame yoke fork body : horns stand in the open [alone]
    external-visor = external visor, outside visor, cab visor, external sun visor, exterior visor, exterior sun visor > cab : it shades the screen
    hinge = hinge, bonnet hinge, hood hinge, door hinge, boot hinge, trunk hinge > - : hinges are fixed to what swings`,
  controls: `
    handlebar = handlebar, handle bar, bar, clip on, clip on bar > yoke@upper yoke : bars sit on the yoke [alone]
    bar-lever = brake lever, clutch lever, hand lever, front brake lever, lever > handlebar : levers sit on the bars [alone]
    grip = grip, handlebar grip, hand grip, twist grip, throttle grip, throttle > handlebar : grips end the bars [alone]
    foot-lever = gear pedal, shift pedal, rear brake pedal, foot brake, foot brake pedal, brake foot pedal, foot lever > foot-peg frame block : it turns by the peg`,
  tank: `
    fuel-tank = fuel tank, diesel tank, saddle tank, gas tank, petrol tank, tank > frame floor-pan : the tank hangs on the frame [alone]
    oil-tank = oil tank > frame body : the tank hangs on the frame
    tank-strap = tank strap, fuel tank strap, strap, tank band > fuel-tank air-tank : straps hold the tank [alone]
    tank-end = tank end, fuel tank end, tank end cap, tank cover > fuel-tank : ends close the tank [vanish]
    side-cover = side cover, side panel, tool box, toolbox > frame : covers close the frame [alone]`,
  deck: `
    deck = deck, load bed, bed, flatbed, truck bed, cargo bed, platform, pickup bed > frame : the deck lies on the frame [alone]
    stake = stake, railing, side board, drop side, head board, headboard, bulk head board > deck : it stands on the deck`,
} as const satisfies Record<System, string>;

/** The words in brackets. */
const UNUSUAL: Readonly<Record<string, Partial<Thing>>> = {
  alone: { alone: true },
  lid: { kind: 'hinge', seam: 'panel-line', motion: 'swings' },
  press: { kind: 'press' },
  glass: { kind: 'glass' },
  tyre: { kind: 'tyre' },
  'sits-in': { kind: 'sits-in' },
  vanish: { seam: 'vanish' },
  'panel-line': { seam: 'panel-line' },
  turns: { motion: 'turns' },
  swings: { motion: 'swings' },
};

/** Reads a line of a table; throws Error where it is none. */
function thing(system: System, line: string): Thing {
  const [, id, names, on, because, unusual = ''] =
    /^(\S+) = (.+?) > (.+?) : (.+?)(?: \[(.+)\])?$/.exec(line) ?? [];
  const words = unusual.split(' ').filter(Boolean);
  if (!id || words.some((word) => !(word in UNUSUAL))) throw new Error(`This is no thing: ${line}`);
  return {
    id,
    system,
    names: names!.split(', '),
    alone: false,
    on: on === '-' ? [] : on!.split(' + ').map((joint) => joint.split(' ')),
    kind: 'cement',
    seam: 'hidden',
    motion: 'none',
    because: because!,
    ...(Object.assign({}, ...words.map((word) => UNUSUAL[word])) as Partial<Thing>),
  };
}

export const THINGS: readonly Thing[] = SYSTEMS.flatMap((system) =>
  TABLES[system]
    .trim()
    .split('\n')
    .map((line) => thing(system, line.trim())),
);

/** Always at that end, whether or not the name says so. */
export const ALWAYS_AT: Readonly<Record<string, 'front' | 'rear'>> = {
  fork: 'front',
  'fork-slider': 'front',
  yoke: 'front',
  handlebar: 'front',
  'front-axle': 'front',
  'swing-arm': 'rear',
  'tail-lamp': 'rear',
};
