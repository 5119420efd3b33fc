import type { LiveryView, ViewOpening } from '../../../core/kit/index.ts';
import { NamedPaths } from './NamedPaths.tsx';

interface OpeningsProps {
  view: LiveryView;
  onSave: (openings: ViewOpening[]) => void;
}

/** Glass, arches and grilles of a view: what is not painted. */
export const Openings = ({ view, onSave }: OpeningsProps) => (
  <NamedPaths
    title="Openings"
    empty="None: the whole outline is painted. Glass, arches and grilles go here."
    viewId={view.id}
    paths={view.openings}
    another={{
      label: 'Another opening',
      example: 'rear glass',
      path: 'M20 5 H40 V15 H20 Z',
      act: 'Open it there',
    }}
    usualName="opening"
    onSave={onSave}
  />
);
