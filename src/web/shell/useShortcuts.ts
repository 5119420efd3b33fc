import { useEffect, useState } from 'react';
import { useNavigate } from 'react-router';
import { isTyping } from '../components/keys.ts';
import { redo, undo } from '../data/undo.ts';
import { STAGES } from '../drawers.ts';

/** Keys that work everywhere: stages by number, palette, sheet, undo and redo. */
export function useShortcuts(buildId: string | undefined) {
  const navigate = useNavigate();
  const [sheet, setSheet] = useState(false);
  const [palette, setPalette] = useState(false);

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const command = event.ctrlKey || event.metaKey;
      const key = event.key.toLowerCase();
      if (command && key === 'k') {
        event.preventDefault();
        setPalette(true);
      } else if (isTyping(event)) {
        return;
      } else if (command && key === 'z') {
        event.preventDefault();
        // What the server refuses is shown by the banner.
        void (event.shiftKey ? redo() : undo()).catch(() => undefined);
      } else if (command || event.altKey) {
        return;
      } else if (event.key === '?') {
        setSheet(true);
      } else if (key === 'h') {
        void navigate('/');
      } else if (key === 't') {
        void navigate(buildId ? `/build/${buildId}/tonight` : '/tonight');
      } else if (buildId) {
        const stage = STAGES[Number(event.key) - 1];
        if (stage) void navigate(`/build/${buildId}/${stage.path}`);
      }
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [navigate, buildId]);

  return { sheet, palette, setSheet, setPalette };
}
