import type { Kit } from './kit.ts';

/** A former build's kit as a new box of the same: parts back on their frames and unchecked, joints unpinned, no
 *  option picked, nothing fitted yet; what was found out about the sheet and what it needs stays. */
export function copyKit(kit: Kit, rename: (id: string) => string): Kit {
  const all = (ids: readonly string[]) => ids.map(rename);
  return {
    school: kit.school,
    parts: kit.parts.map((part) => ({
      ...part,
      id: rename(part.id),
      state: 'on-frame',
      checked: false,
      zones: part.zones.map((zone) => ({ ...zone, finishId: rename(zone.finishId) })),
    })),
    finishes: kit.finishes.map((finish) => ({ ...finish, id: rename(finish.id) })),
    joints: kit.joints.map((joint) => ({
      ...joint,
      id: rename(joint.id),
      a: rename(joint.a),
      b: rename(joint.b),
      captured: all(joint.captured),
      closes: all(joint.closes),
      pin: null,
    })),
    choices: kit.choices.map((choice) => ({
      ...choice,
      id: rename(choice.id),
      chosen: null,
      options: choice.options.map((option) => ({
        ...option,
        id: rename(option.id),
        needs: all(option.needs),
        rulesOut: all(option.rulesOut),
        finishIds: all(option.finishIds),
      })),
    })),
    works: kit.works.map((work) => ({
      ...work,
      id: rename(work.id),
      partId: rename(work.partId),
      neededBy: all(work.neededBy),
    })),
    evidence: kit.evidence.map((conflict) => ({
      ...conflict,
      id: rename(conflict.id),
      partIds: all(conflict.partIds),
      // Pictures belong to the build that they were kept with.
      pictureId: null,
    })),
    box: kit.box.map((item) => ({ ...item, id: rename(item.id), checked: false })),
    fits: [],
    // These belong to the former build's sub-assemblies and evenings.
    weathering: [],
    mishaps: [],
    ownSteps: [],
    stepEdits: [],
    cureChecks: [],
    pins: [],
    aims: [],
    stances: [],
    places: kit.places.map((place) => ({
      ...place,
      id: rename(place.id),
      partId: rename(place.partId),
      matingPartId: place.matingPartId === null ? null : rename(place.matingPartId),
    })),
    runs: kit.runs.map((run) => ({
      ...run,
      id: rename(run.id),
      fromPartId: rename(run.fromPartId),
      toPartId: rename(run.toPartId),
    })),
    decals: kit.decals.map((decal) => ({ ...decal, id: rename(decal.id) })),
    brightwork: kit.brightwork.map((bright) => ({
      ...bright,
      id: rename(bright.id),
      partId: rename(bright.partId),
    })),
    wants: kit.wants.map((want) => ({
      ...want,
      id: rename(want.id),
      have: false,
      optionId: want.optionId === null ? null : rename(want.optionId),
    })),
  };
}
