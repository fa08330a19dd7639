/** Mark a moment for speed/. Only the last of each name is kept. */
export function mark(name: string) {
  performance.clearMarks(name);
  performance.mark(name);
}
