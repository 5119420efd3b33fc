import { create } from 'zustand';

/** Whether the server asked for the passphrase when it was asked last. */
const useAccess = create(() => ({ signedOut: false }));

export const setSignedOut = (signedOut: boolean): void => {
  if (signedOut !== useAccess.getState().signedOut) useAccess.setState({ signedOut });
};

export const useSignedOut = (): boolean => useAccess(({ signedOut }) => signedOut);
