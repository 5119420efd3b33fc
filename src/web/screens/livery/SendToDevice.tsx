import { Button, Progress } from '@mantine/core';
import { useState } from 'react';
import type { OutputDeviceId, OutputDeviceRecord } from '../../../api/index.ts';
import { counted } from '../../../core/kit/index.ts';
import { outputDevice, useOutputDevice } from '../../data/outputDevices.ts';

interface SendToDeviceProps {
  device: OutputDeviceId;
  /** What the job is called, and a file for each of its sheets. */
  name: string;
  files: readonly string[];
}

const PIECE: Readonly<Record<OutputDeviceId, string>> = { cutter: 'cut', 'label-printer': 'page' };
const STOPS: Readonly<Record<NonNullable<OutputDeviceRecord['stop']>, (media: string) => string>> = {
  out: (media) => `It wants ${media}: load, then go on. What is done stays done.`,
  slipped: () =>
    'The film slipped and went crooked: the last cut is spoilt. Lay it straight, or put in a fresh sheet, then go on: that cut is made again.',
  paused: () => 'Paused.',
  unplugged: () => 'It was disconnected half-way. Connect it and go on from the last whole piece.',
};

function told({ state, job, stop, media, loaded, id }: OutputDeviceRecord): string {
  switch (state) {
    case 'away':
      return 'Not connected.';
    case 'ready':
      return loaded > 0 ? 'Ready.' : `Ready; no ${media} is loaded.`;
    case 'working':
      return `${job!.name}: ${job!.done} of ${counted(job!.pieces, PIECE[id])}.`;
    case 'done':
      return `${job!.name}: done, ${counted(job!.pieces, PIECE[id])}${job!.spoilt > 0 ? `, ${job!.spoilt} made again` : ''}.`;
    case 'standing':
      return STOPS[stop ?? 'paused'](media);
  }
}

/** A machine at the bench: connected, loaded, sent to, stopped and gone on with. */
export function SendToDevice({ device: id, name, files }: SendToDeviceProps) {
  const { data: device, error } = useOutputDevice(id);
  const [problem, setProblem] = useState<string | null>(null);
  if (error) return <p className="small">It does not answer: {error.message}</p>;
  if (!device) return null;
  const acts = outputDevice(id);
  const button = (label: string, act: () => Promise<void>, variant?: 'action') => (
    <Button
      key={label}
      size="xs"
      variant={variant}
      onClick={() =>
        void act().then(
          () => setProblem(null),
          (failure: unknown) => setProblem((failure as Error).message),
        )
      }
    >
      {label}
    </Button>
  );
  const { state, job } = device;
  const isEmpty = device.stop === 'out' && device.loaded === 0;
  const isFree = state === 'ready' || state === 'done';
  return (
    <div className="panel device" role="group" aria-label={device.name}>
      <h3>{device.name}</h3>
      <p className="small" role="status">
        {told(device)}
      </p>
      {job && state !== 'away' && (
        <Progress
          value={(100 * job.done) / job.pieces}
          aria-label={`${job.name}, ${job.done} of ${job.pieces}`}
          mb={6}
        />
      )}
      {problem && (
        <p role="alert" className="small finding warn">
          {problem}
        </p>
      )}
      <div className="toolrow">
        {state === 'away' && button('Connect', acts.connect)}
        {isFree && files.length > 0 && button('Send it', () => acts.start(name, files), 'action')}
        {state === 'working' && button('Pause', acts.pause)}
        {state === 'standing' && !isEmpty && button('Go on', acts.resume, 'action')}
        {state !== 'away' &&
          state !== 'working' &&
          button(`Load ${device.media}`, acts.load, isEmpty ? 'action' : undefined)}
        {(state === 'working' || state === 'standing') && button('Cancel the job', acts.cancel)}
        {state !== 'away' && button('Disconnect', acts.disconnect)}
      </div>
    </div>
  );
}
