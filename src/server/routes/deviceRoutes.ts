import type { Request, Router } from 'express';
import { outputJobAct, outputJobInput, PATHS, type OutputDeviceId } from '../../api/index.ts';
import { simulatedOutput, type OutputDevice } from '../devices/outputDevice.ts';
import { WORLD } from '../devices/simulatedGroundTruth.ts';
import { notFound } from '../problem.ts';
import { neverKept } from '../requests/conditional.ts';
import { idOf, validated } from '../requests/validated.ts';
import { benchRouter, type ServerContext } from './serverContext.ts';

const DEVICES: readonly OutputDeviceId[] = ['cutter', 'label-printer'];

/** Cutters and printers at the bench. */
export function deviceRoutes({ db, clock }: Pick<ServerContext, 'db' | 'clock'>): Router {
  const { router, get, post, put, remove } = benchRouter({ db });
  const devices = new Map<string, OutputDevice>(DEVICES.map((id) => [id, simulatedOutput(id, clock, WORLD)]));
  const deviceOf = (request: Request): OutputDevice => {
    const device = devices.get(idOf(request));
    if (!device) throw notFound('device', idOf(request));
    return device;
  };
  /** Does something with a device, and answers with how it is then. */
  const doing =
    (act: (device: OutputDevice, request: Request) => void) =>
    (request: Request, response: { json: (body: unknown) => void }): void => {
      const device = deviceOf(request);
      act(device, request);
      response.json(device.state());
    };

  get(
    PATHS.outputDevice,
    neverKept,
    doing(() => undefined),
  );
  post(
    PATHS.outputDevice,
    doing((device) => device.connect()),
  );
  remove(
    PATHS.outputDevice,
    doing((device) => device.disconnect()),
  );
  post(
    PATHS.outputMedia,
    doing((device) => device.load()),
  );
  post(
    PATHS.outputJob,
    doing((device, request) => device.start(validated(outputJobInput, request.body))),
  );
  put(
    PATHS.outputJob,
    doing((device, request) => {
      const { act } = validated(outputJobAct, request.body);
      if (act === 'pause') device.pause();
      else device.resume();
    }),
  );
  remove(
    PATHS.outputJob,
    doing((device) => device.cancel()),
  );
  return router;
}
