import { Button, FileButton, Group, SegmentedControl, TextInput } from '@mantine/core';
import { useState } from 'react';
import type { BuildRecord } from '../../../../api/index.ts';
import { counted, newRecord, photoRecord, type Kit, type Photo } from '../../../../core/kit/index.ts';
import { textLimits } from '../../../components/limits.ts';
import { benchMinute } from '../../../data/clock.ts';
import { changeKit, keepPicture } from '../../../data/kit.ts';
import { newId } from '../../../data/newId.ts';
import { PartSelect } from '../../detail/PartSelect.tsx';

/** Pictures put into the album, several at once; one that cannot be read is named, and the others are kept. */
export function AddPictures({ build, kit }: { build: BuildRecord; kit: Kit }) {
  const [of, setOf] = useState<Photo['of']>('build');
  const [what, setWhat] = useState('');
  const [partId, setPartId] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const [said, setSaid] = useState<string[]>([]);
  const add = async (files: File[]) => {
    if (files.length === 0) return;
    setBusy(true);
    const problems: string[] = [];
    let kept = 0;
    for (const file of files) {
      try {
        const value = {
          ...newRecord(photoRecord),
          pictureId: await keepPicture(build.id, file),
          of,
          what: what.trim() || file.name.replace(/\.\w+$/, '').slice(0, 300),
          partId,
          at: benchMinute(),
        };
        await changeKit(build.id, [{ kind: 'photo', id: newId('photo'), value }], `picture: ${value.what}`);
        kept++;
      } catch (error) {
        problems.push((error as Error).message);
      }
    }
    setSaid([...(kept > 0 ? [`${counted(kept, 'picture')} kept.`] : []), ...problems]);
    if (problems.length === 0) setWhat('');
    setBusy(false);
  };
  return (
    <div className="panel stacked g8">
      <h3>Add pictures</h3>
      <SegmentedControl
        size="xs"
        aria-label="What they are of"
        data={[
          { value: 'build', label: 'the model' },
          { value: 'reference', label: 'the real thing' },
        ]}
        value={of}
        onChange={(value) => setOf(value)}
      />
      <TextInput
        label="What they show"
        placeholder="left side, from low"
        value={what}
        {...textLimits(photoRecord.fields.what)}
        onChange={(event) => setWhat(event.currentTarget.value)}
      />
      <PartSelect label="Part" kit={kit} value={partId} onChange={setPartId} placeholder="none" />
      <Group>
        <FileButton
          multiple
          accept="image/*"
          onChange={(files) => void add(files)}
          inputProps={{ 'aria-label': 'Pictures' }}
        >
          {(props) => (
            <Button loading={busy} {...props}>
              Choose pictures
            </Button>
          )}
        </FileButton>
      </Group>
      <p className="soft small">They are turned upright; place and camera are taken out of the file.</p>
      {said.map((line) => (
        <p key={line} className="small" role="status">
          {line}
        </p>
      ))}
    </div>
  );
}
