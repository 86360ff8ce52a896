/** Hands something over as a file, named by its title. */
export function save(title: string, ending: string, type: string, content: string): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(new Blob([content], { type }));
  link.download = `${title.replace(/[^\p{L}\d]+/gu, '-')}.${ending}`;
  link.click();
  URL.revokeObjectURL(link.href);
}
