import { create } from 'zustand';

/** Kept in this browser alone: it is about the device. */
const KEY = 'fanfare.brief-search';
const useStore = create(() => ({ brief: localStorage.getItem(KEY) !== null }));

/** Whether this device looks for better plans only briefly. */
export const useBriefSearch = (): boolean => useStore(({ brief }) => brief);

export function setBriefSearch(brief: boolean): void {
  if (brief) localStorage.setItem(KEY, 'yes');
  else localStorage.removeItem(KEY);
  useStore.setState({ brief });
}
