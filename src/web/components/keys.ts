/** Whether a key press belongs to a field or a dialog, where letters and arrows have a meaning of their own. */
export function isTyping(event: KeyboardEvent): boolean {
  const target = event.target as HTMLElement | null;
  return target?.closest('input, textarea, select, [contenteditable="true"], [role="dialog"]') != null;
}

/** Whether a key press may stand for a command: pressed without Ctrl, Alt and the like, and outside of fields. */
export function isCommandKey(event: KeyboardEvent): boolean {
  return !event.ctrlKey && !event.metaKey && !event.altKey && !isTyping(event);
}
