import { bare } from '../../../core/figures.ts';
import { Button, Select, TextInput, UnstyledButton } from '@mantine/core';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useDeferredValue, useEffect, useMemo, useRef, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { CODE_USES, type CodeRecord, type CodeUse } from '../../../api/index.ts';
import { spectrumToDisplay } from '../../../core/colour/index.ts';
import { codeLab, searchCodes, type FoundCode } from '../../../core/match/index.ts';
import { Loading } from '../../components/Loading.tsx';
import { useCodes } from '../../data/bench.ts';
import { CodeDetail } from './CodeDetail.tsx';
import { ExportCodes } from './ExportCodes.tsx';
import { ImportColours } from './ImportColours.tsx';
import { USE_WORDS } from './useWords.ts';

const ROW_PX = 44;

/** The library of factory codes: what is known of each colour, from where and how surely. */
export function CodesScreen() {
  const { data: codes, error } = useCodes();
  const { codeId } = useParams();
  const navigate = useNavigate();
  const [text, setText] = useState('');
  const [maker, setMaker] = useState<string | null>(null);
  const [use, setUse] = useState<CodeUse | null>(null);
  const [nearId, setNearId] = useState<string>();
  const [importing, setImporting] = useState(false);
  const query = useDeferredValue(text);
  const near = codes?.find(({ id }) => id === nearId);
  const nearLab = useMemo(() => near && codeLab(near), [near]);
  const found = useMemo(
    () =>
      searchCodes(codes ?? [], {
        text: query,
        maker: maker ?? undefined,
        use: use ?? undefined,
        near: nearLab,
      }),
    [codes, query, maker, use, nearLab],
  );
  const makers = useMemo(() => [...new Set((codes ?? []).map((code) => code.maker))].sort(), [codes]);
  if (!codes) return <Loading what="the codes" error={error} />;
  const chosen = codes.find(({ id }) => id === codeId) ?? found[0]?.code;
  const open = (id: string) => void navigate(`/codes/${encodeURIComponent(id)}`, { replace: true });
  if (importing || codes.length === 0) {
    return (
      <ImportColours
        codes={codes}
        onDone={(id) => {
          setImporting(false);
          if (id) open(id);
        }}
      />
    );
  }
  return (
    <div className="columns codes">
      <section className="column" aria-label="Codes">
        <h2>Codes</h2>
        <div className="stacked two-columns g8 centred">
          <Link to="/codes/picture" className="quiet">
            From a picture
          </Link>
          <Button onClick={() => setImporting(true)}>Bring in colours</Button>
        </div>
        <TextInput
          aria-label="Find codes"
          placeholder="name, year, or greenish dark blues"
          value={text}
          onChange={(event) => setText(event.currentTarget.value)}
        />
        <div className="stacked two-columns g8">
          <Select
            aria-label="Maker"
            placeholder="all makers"
            clearable
            data={makers}
            value={maker}
            onChange={setMaker}
          />
          <Select
            aria-label="For"
            placeholder="for anything"
            clearable
            data={CODE_USES.map((value) => ({ value, label: USE_WORDS[value] }))}
            value={use}
            onChange={(value) => setUse(value)}
          />
        </div>
        {near && (
          <p className="small">
            Nearest to <span className="mono">{near.code}</span> {near.name} first, dE00 in daylight.{' '}
            <UnstyledButton className="why" onClick={() => setNearId(undefined)}>
              back to the order by maker
            </UnstyledButton>
          </p>
        )}
        <CodeList found={found} chosen={chosen?.id} onOpen={open} />
        <p className="soft small" role="status">
          {found.length} of {codes.length} codes
        </p>
        <ExportCodes codes={found.map(({ code }) => code)} />
      </section>
      {chosen ? (
        <CodeDetail key={chosen.id} code={chosen} onNear={() => setNearId(chosen.id)} />
      ) : (
        <section className="booth" style={{ display: 'grid', placeItems: 'center', minHeight: 420 }}>
          <p>No code answers to that. Fewer words find more.</p>
        </section>
      )}
    </div>
  );
}

interface CodeListProps {
  found: readonly FoundCode<CodeRecord>[];
  chosen: string | undefined;
  onOpen: (id: string) => void;
}

/** Only the rows in sight are drawn, so that thousands scroll smoothly. Arrow keys move through the list. */
function CodeList({ found, chosen, onOpen }: CodeListProps) {
  const frame = useRef<HTMLDivElement>(null);
  // The virtual list keeps its own state; the compiler of React leaves such components alone.
  // eslint-disable-next-line react-hooks/incompatible-library
  const rows = useVirtualizer({
    count: found.length,
    getScrollElement: () => frame.current,
    estimateSize: () => ROW_PX,
    overscan: 8,
  });
  const at = found.findIndex(({ code }) => code.id === chosen);
  const first = useRef(at);
  useEffect(() => {
    if (first.current > 0) rows.scrollToIndex(first.current, { align: 'center' });
  }, [rows]);
  const move = (to: number) => {
    const next = found[Math.min(found.length - 1, Math.max(0, to))];
    if (!next) return;
    onOpen(next.code.id);
    rows.scrollToIndex(Math.max(0, to));
  };
  return (
    <div
      ref={frame}
      role="listbox"
      aria-label="Codes found"
      tabIndex={0}
      aria-activedescendant={chosen ? `code-${chosen}` : undefined}
      className="codelist"
      onKeyDown={(event) => {
        const steps: Record<string, number> = {
          ArrowDown: at + 1,
          ArrowUp: at - 1,
          PageDown: at + 10,
          PageUp: at - 10,
          Home: 0,
          End: found.length - 1,
        };
        const to = steps[event.key];
        if (to === undefined) return;
        event.preventDefault();
        move(to);
      }}
    >
      <div style={{ height: rows.getTotalSize(), position: 'relative' }}>
        {rows.getVirtualItems().map(({ index, start }) => {
          const { code, dE00 } = found[index]!;
          return (
            <div
              key={code.id}
              id={`code-${code.id}`}
              role="option"
              aria-selected={code.id === chosen}
              className="coderow"
              style={{ transform: `translateY(${start}px)`, height: ROW_PX }}
              onClick={() => onOpen(code.id)}
            >
              <span
                className="dot"
                style={{ background: spectrumToDisplay(code.spectrum).hex }}
                aria-hidden
              />
              <span className="shrinks">
                <span className="mono">{code.code}</span> {code.name}
                <span className="soft small block">
                  {code.maker} {code.years}
                </span>
              </span>
              {dE00 !== undefined && <span className="mono">{bare(dE00, 'dE')}</span>}
            </div>
          );
        })}
      </div>
    </div>
  );
}
