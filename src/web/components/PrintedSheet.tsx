import { Button } from '@mantine/core';
import type { ReactNode } from 'react';
import { Link } from 'react-router';

interface PrintedSheetProps {
  label: string;
  /** Where it comes from, and in what words. */
  back: { to: string; words: string };
  printWords: string;
  children: ReactNode;
}

/** A page on paper: a way back and a button to print, neither of which is printed. */
export function PrintedSheet({ label, back, printWords, children }: PrintedSheetProps) {
  return (
    <section className="recipecard" aria-label={label}>
      <div className="noprint" style={{ display: 'flex', justifyContent: 'space-between', marginBottom: 14 }}>
        <Link to={back.to}>{back.words}</Link>
        <Button variant="action" className="unstretched" onClick={() => window.print()}>
          {printWords}
        </Button>
      </div>
      <div className="sheet">{children}</div>
    </section>
  );
}
