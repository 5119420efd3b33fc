/** A Tuesday evening two minutes into a bench session of the sample calendar, by the local clock. */
export const EVENING = '2026-05-12T19:32:00';
