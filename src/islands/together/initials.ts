/** Two letters for a name: of its first and its last word. */
export const initialsOf = (name: string): string => {
  const words = name.split(/\s+/).filter((word) => word !== '');
  const letters = [words[0], words.length > 1 ? words.at(-1) : undefined].map((word) => [...(word ?? '')][0] ?? '');
  return letters.join('').toUpperCase();
};
