/** The figures of a column as spreadsheets give it: a line each, the first field of a line; an empty line is an empty figure. */
export function pasted(text: string): string[] {
  const lines = text.replace(/\r\n?/g, '\n').replace(/\n+$/, '').split('\n');
  return lines.map((line) => (line.split('\t').find((field) => field.trim() !== '') ?? '').trim());
}
