import { Button, Checkbox, Textarea, TextInput } from '@mantine/core';
import { bookRecord, type Book } from '../../../../core/kit/index.ts';
import { BOOK_SECTIONS, MOST_PICTURES, SECTION_NAMES } from '../../../../core/record/index.ts';
import { Loading } from '../../../components/Loading.tsx';
import { textLimits } from '../../../components/limits.ts';
import { StageNav } from '../../../components/StageNav.tsx';
import { useKitChange } from '../../../data/useKitChange.ts';
import { useLogSources } from '../log/useLogSources.ts';
import type { LogInputs } from '../log/useLog.ts';
import { SavePdf } from '../SavePdf.tsx';
import { BookPages } from './BookPages.tsx';
import { ShowCard } from './ShowCard.tsx';
import { bookIn, useBook } from './useBook.ts';
import './book.css';

/** A build told of in print, and the card that stands beside it. */
export function BookScreen() {
  const { sources, isNone, loading } = useLogSources('the book');
  if (isNone) return <Loading what="the build" error={new Error('There is no build at this address.')} />;
  if (!sources) return <Loading {...loading} />;
  return <BookOf {...sources} />;
}

function BookOf(sources: LogInputs) {
  const { build } = sources;
  const book = bookIn(sources);
  const { problem, change } = useKitChange(build.id);
  const { state, newest: blocks } = useBook(sources);
  const put = (said: Partial<Book>) => {
    const { id, ...value } = { ...book, ...said };
    change([{ kind: 'book', id, value }], 'build book');
  };
  return (
    <div className="columns kit bookview">
      <section className="column noprint" aria-label="What goes into it">
        <h2>What goes into it</h2>
        <StageNav stage="record" buildId={build.id} open="book" />
        {problem && <p role="alert">{problem}</p>}
        <BookSettings book={book} onPut={put} />
        {blocks && (
          <div className="panel stacked g8">
            <SavePdf build={build} name="book" blocks={() => blocks} variant="action">
              Save as PDF
            </SavePdf>
            <Button variant="default" onClick={() => window.print()}>
              Print from here
            </Button>
          </div>
        )}
      </section>
      <section className="column" aria-label="Build book">
        <h2 className="noprint">Build book</h2>
        {state.kind === 'failed' && <p role="alert">{state.message}</p>}
        {blocks ? (
          <div className="sheet">
            <BookPages blocks={blocks} />
          </div>
        ) : (
          state.kind !== 'failed' && <p role="status">Writing it…</p>
        )}
      </section>
      <section className="column noprint" aria-label="At a show">
        <h2>At a show</h2>
        <ShowCard sources={sources} book={book} onPut={put} />
      </section>
    </div>
  );
}

function BookSettings({ book, onPut }: { book: Book; onPut: (said: Partial<Book>) => void }) {
  return (
    <div className="panel stacked g8">
      <TextInput
        label="Built by"
        key={`builder ${book.builder}`}
        {...textLimits(bookRecord.fields.builder)}
        defaultValue={book.builder}
        onBlur={({ currentTarget: { value } }) => value !== book.builder && onPut({ builder: value })}
      />
      <Textarea
        label="Foreword"
        key={`foreword ${book.foreword}`}
        rows={3}
        {...textLimits(bookRecord.fields.foreword)}
        defaultValue={book.foreword}
        onBlur={({ currentTarget: { value } }) => value !== book.foreword && onPut({ foreword: value })}
      />
      <fieldset className="plainset stacked g8">
        <legend className="small">
          <b>Told of</b>
        </legend>
        {BOOK_SECTIONS.map((section) => (
          <Checkbox
            key={section}
            label={SECTION_NAMES[section]}
            checked={!book.leftOut.includes(section)}
            onChange={({ currentTarget: { checked } }) =>
              onPut({
                leftOut: checked
                  ? book.leftOut.filter((each) => each !== section)
                  : [...book.leftOut, section],
              })
            }
          />
        ))}
      </fieldset>
      <p className="small soft">
        What there is nothing of is not in it. Of pictures the newest {MOST_PICTURES} are taken.
      </p>
    </div>
  );
}
