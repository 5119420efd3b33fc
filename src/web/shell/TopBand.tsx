import { ActionIcon, UnstyledButton, useComputedColorScheme, useMantineColorScheme } from '@mantine/core';
import { IconArrowBackUp, IconMoon, IconSun } from '@tabler/icons-react';
import { lazy, Suspense } from 'react';
import { Link, NavLink } from 'react-router';
import { clockText } from '../components/time.ts';
import { useBench } from '../data/bench.ts';
import { useSavedState } from '../data/saving.ts';
import { undo, useUndoState } from '../data/undo.ts';
import { ELSEWHERE } from './elsewhere.ts';

const NarrowMenu = lazy(() => import('./NarrowMenu.tsx').then(({ NarrowMenu }) => ({ default: NarrowMenu })));

interface TopBandProps {
  buildId: string | undefined;
  onPalette: () => void;
  onSheet: () => void;
}

/** Name, where you are, whether it is saved, and the way to everything else. */
export function TopBand({ buildId, onPalette, onSheet }: TopBandProps) {
  const { data } = useBench();
  const build = data?.builds.find(({ id }) => id === buildId);
  const { undoLabel } = useUndoState();
  const scheme = useComputedColorScheme('light');
  const { setColorScheme } = useMantineColorScheme();
  return (
    <header className="topband">
      <Link to="/" className="mark" aria-label="Fanfare, all builds">
        FANFARE
      </Link>
      {build ? (
        <span className="where">
          {build.name} <span style={{ color: 'var(--band-soft)', fontSize: 14 }}>· 1:{build.scale}</span>
        </span>
      ) : null}
      <nav aria-label="Whole bench">
        {!build && (
          <NavLink to="/" end>
            Builds
          </NavLink>
        )}
        {ELSEWHERE.map(({ to, name }) => (
          <NavLink key={to} to={to}>
            {name}
          </NavLink>
        ))}
      </nav>
      <div className="tools">
        <SavedNote />
        <ActionIcon
          variant="transparent"
          color="gray.3"
          disabled={!undoLabel}
          style={undoLabel ? undefined : { background: 'none', opacity: 0.4 }}
          title={undoLabel ? `Undo: ${undoLabel} (Ctrl Z)` : 'Nothing to undo'}
          aria-label="Undo the last change"
          onClick={() => void undo().catch(() => undefined)}
        >
          <IconArrowBackUp size={19} />
        </ActionIcon>
        <ActionIcon
          variant="transparent"
          color="gray.3"
          aria-label={scheme === 'dark' ? 'Light theme' : 'Dark theme'}
          title={scheme === 'dark' ? 'Light theme' : 'Dark theme'}
          onClick={() => setColorScheme(scheme === 'dark' ? 'light' : 'dark')}
        >
          {scheme === 'dark' ? <IconSun size={18} /> : <IconMoon size={18} />}
        </ActionIcon>
        <UnstyledButton className="plain wide" onClick={onPalette}>
          Find anything <span className="mono">Ctrl K</span>
        </UnstyledButton>
        <UnstyledButton className="plain" aria-label="Keyboard shortcuts" onClick={onSheet}>
          ?
        </UnstyledButton>
        <Suspense fallback={null}>
          <NarrowMenu onPalette={onPalette} />
        </Suspense>
      </div>
    </header>
  );
}

function SavedNote() {
  const state = useSavedState();
  const text = {
    saved: state.kind === 'saved' && state.at ? `Saved ${clockText(state.at / 60000)}` : 'All saved',
    saving: 'Saving…',
    waiting: 'Not saved yet: no server, trying again',
  }[state.kind];
  return (
    <span
      role="status"
      aria-live="polite"
      data-testid="saved-state"
      style={state.kind === 'waiting' ? { color: '#fff', fontWeight: 600 } : undefined}
    >
      {text}
    </span>
  );
}
