/** The first letters of a name, two at most. */
export function initials(name: string): string {
  return name
    .split(/\s+/)
    .map((word) => word[0])
    .slice(0, 2)
    .join('');
}
