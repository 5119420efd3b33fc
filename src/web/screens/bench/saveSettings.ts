import type { SettingsRecord } from '../../../api/index.ts';

/** Saves a part of the settings of the bench, called by a few words. */
export type SaveSettings = (change: Partial<SettingsRecord>, label: string) => void;
