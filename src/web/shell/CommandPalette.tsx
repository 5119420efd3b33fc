import { Modal, TextInput } from '@mantine/core';
import { useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { drawerAddress, type Drawer } from '../components/drawers.ts';
import { useBench } from '../data/bench.ts';
import { DRAWERS, STAGES } from '../drawers.ts';
import { drawerName } from './openedDrawer.ts';

interface Destination {
  name: string;
  path: string;
}

const SHOWN = 9;
/** "Kit, version: holes and cuts". */
const nameOf = (drawer: Drawer): string =>
  drawer.words === undefined ? drawerName(drawer) : `${drawerName(drawer)}: ${drawer.words}`;

/** Goes anywhere by a few letters: builds, stages, sub-assemblies, shelf, bench. */
export function CommandPalette({ buildId, onClose }: { buildId: string | undefined; onClose: () => void }) {
  const { data } = useBench();
  const navigate = useNavigate();
  const [text, setText] = useState('');
  const [marked, setMarked] = useState(0);
  const all = useMemo<Destination[]>(() => {
    const builds = [...(data?.builds ?? [])].sort(
      (a, b) => Number(b.id === buildId) - Number(a.id === buildId),
    );
    return [
      ...DRAWERS.filter(({ stage }) => stage === null).map((drawer) => ({
        name: nameOf(drawer),
        path: drawerAddress(drawer),
      })),
      ...builds.flatMap((build) => [
        ...STAGES.map(({ name, path }) => ({
          name: `${build.name}: ${name}`,
          path: `/build/${build.id}/${path}`,
        })),
        ...DRAWERS.filter(({ stage, path, within }) => stage !== null && path !== '' && !within).map(
          (drawer) => ({
            name: `${build.name}: ${nameOf(drawer)}`,
            path: drawerAddress(drawer, { buildId: build.id }),
          }),
        ),
        ...build.trays.flatMap((tray) => [
          { name: `${build.name}: ${tray.name}, colour`, path: `/build/${build.id}/colour/${tray.id}` },
          { name: `${build.name}: ${tray.name}, finish`, path: `/build/${build.id}/finish/${tray.id}` },
        ]),
      ]),
    ];
  }, [data, buildId]);
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  const found = all
    .filter(({ name }) => words.every((word) => name.toLowerCase().includes(word)))
    .slice(0, SHOWN);
  const go = (destination: Destination | undefined) => {
    if (!destination) return;
    onClose();
    void navigate(destination.path);
  };
  return (
    <Modal
      opened
      onClose={onClose}
      withCloseButton={false}
      size="lg"
      yOffset="12vh"
      aria-label="Find anything"
    >
      <TextInput
        data-autofocus
        placeholder="a build, a stage, a sub-assembly…"
        aria-label="Find anything"
        role="combobox"
        aria-expanded
        aria-controls="palette-list"
        aria-activedescendant={found[marked] ? `palette-${marked}` : undefined}
        value={text}
        onChange={(event) => {
          setText(event.currentTarget.value);
          setMarked(0);
        }}
        onKeyDown={(event) => {
          if (event.key === 'ArrowDown') setMarked((at) => Math.min(found.length - 1, at + 1));
          else if (event.key === 'ArrowUp') setMarked((at) => Math.max(0, at - 1));
          else if (event.key === 'Enter') go(found[marked]);
          else return;
          event.preventDefault();
        }}
      />
      <ul
        id="palette-list"
        role="listbox"
        aria-label="Places"
        style={{ listStyle: 'none', padding: 0, margin: '8px 0 0' }}
      >
        {found.map((destination, index) => (
          <li
            key={destination.path}
            id={`palette-${index}`}
            role="option"
            aria-selected={index === marked}
            style={{
              padding: '6px 10px',
              borderRadius: 4,
              cursor: 'pointer',
              background: index === marked ? 'var(--runner)' : undefined,
            }}
            onMouseEnter={() => setMarked(index)}
            onClick={() => go(destination)}
          >
            {destination.name}
          </li>
        ))}
        {found.length === 0 && (
          <li className="soft" style={{ padding: 8 }}>
            Nothing by that name.
          </li>
        )}
      </ul>
    </Modal>
  );
}
