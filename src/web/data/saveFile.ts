/** Gives the builder a text as a file. */
export function saveFile(name: string, content: BlobPart, type = 'text/csv'): void {
  const address = URL.createObjectURL(new Blob([content], { type }));
  const link = document.createElement('a');
  link.href = address;
  link.download = name;
  link.click();
  // Some browsers read the address only after the click.
  setTimeout(() => URL.revokeObjectURL(address), 1000);
}
