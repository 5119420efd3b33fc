import { Button, FileButton, Group } from '@mantine/core';
import { useState } from 'react';
import { Link } from 'react-router';
import type {
  BuildRecord,
  HandedOnBench,
  HandedOnPreview,
  SharedList,
  Standing,
} from '../../../../api/index.ts';
import { BuildsOfBench } from './BuildsOfBench.tsx';
import { previewDocument, takeDocument } from '../../../data/handOn.ts';
import { RequestProblem } from '../../../data/request.ts';
import { WhatComes } from './WhatComes.tsx';

interface Chosen {
  file: File;
  /** Which build of a bench it is; undefined where the file is of one build. */
  of: string | undefined;
  preview: HandedOnPreview;
}

/** A build that somebody handed on: looked at first, then brought in. */
export function OpenHandedOn() {
  const [chosen, setChosen] = useState<Chosen | null>(null);
  const [bench, setBench] = useState<{ file: File; found: HandedOnBench } | null>(null);
  const [standing, setStanding] = useState<Partial<Record<SharedList, Standing>>>({});
  const [taken, setTaken] = useState<BuildRecord | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const attempt = async (work: () => Promise<void>) => {
    setBusy(true);
    setProblem(null);
    try {
      await work();
    } catch (error) {
      const remedy = error instanceof RequestProblem ? error.problem.remedy : undefined;
      setProblem([(error as Error).message, remedy].filter(Boolean).join(' '));
    } finally {
      setBusy(false);
    }
  };
  const look = (file: File | null) => {
    if (!file) return;
    setBench(null);
    lookAt(file);
  };
  const lookAt = (file: File, of?: string) => {
    setTaken(null);
    setChosen(null);
    void attempt(async () => {
      const found = await previewDocument(file, of);
      if ('bench' in found) setBench({ file, found });
      else setChosen({ file, of, preview: found });
      setStanding({});
    });
  };
  const take = () =>
    void attempt(async () => {
      if (!chosen) return;
      setTaken(await takeDocument(chosen.file, standing, chosen.of));
      setChosen(null);
    });
  return (
    <div className="panel stacked g8">
      <h3>Open a build that was handed on</h3>
      <p className="small soft">
        A file that Fanfare saved: one build as JSON or with pictures, or all builds of a bench.
      </p>
      <Group>
        <FileButton onChange={look} inputProps={{ 'aria-label': 'Build that was handed on' }}>
          {(props) => (
            <Button variant="default" loading={busy && !chosen} {...props}>
              Choose a file to look at
            </Button>
          )}
        </FileButton>
      </Group>
      {problem !== null && <p role="alert">{problem}</p>}
      {bench && (
        <BuildsOfBench
          found={bench.found}
          open={chosen?.of}
          onLook={(of) => lookAt(bench.file, of)}
          busy={busy}
        />
      )}
      {chosen && (
        <>
          <WhatComes
            preview={chosen.preview}
            standing={standing}
            onStanding={(list, whose) => setStanding({ ...standing, [list]: whose })}
          />
          <Group>
            <Button loading={busy} onClick={take}>
              Bring in {chosen.preview.comesInAs}
            </Button>
            <Button variant="default" onClick={() => setChosen(null)}>
              Leave it
            </Button>
          </Group>
        </>
      )}
      {taken && (
        <p role="status">
          <Link to={`/build/${taken.id}/kit`}>{taken.name}</Link> is on the bench. Nothing else was changed
          that you did not decide; to undo it, remove the build in its Kit stage.
        </p>
      )}
    </div>
  );
}
