/**
 * How many lines a text takes in a width: it is broken between words where the language allows, and inside one that is wider
 * than a line. Word boundaries come from the platform's segmenter (UAX #29).
 *
 * @param width of a line, in the unit of `measure` @param measure how wide a piece of text is
 */
export function linesNeeded(text: string, language: string, width: number, measure: (piece: string) => number): number {
  if (text === '') return 0;
  let lines = 1;
  let line = '';
  const place = (piece: string) => {
    if (measure(line + piece.trimEnd()) <= width) {
      line += piece;
      return;
    }
    if (line !== '') lines++;
    line = '';
    if (measure(piece.trimEnd()) <= width) {
      line = piece.trimStart();
      return;
    }
    for (const letter of piece) {
      if (line !== '' && measure(line + letter) > width) {
        lines++;
        line = '';
      }
      line += letter;
    }
  };
  let word = '';
  for (const { segment } of new Intl.Segmenter(language, { granularity: 'word' }).segment(text)) {
    // Signs stay with the word before them; a space ends it. Scripts without spaces break at every word.
    const opens = /^\s+$/.test(segment) || /\p{Script=Han}|\p{Script=Hiragana}|\p{Script=Katakana}/u.test(segment);
    word += segment;
    if (!opens) continue;
    place(word);
    word = '';
  }
  if (word !== '') place(word);
  return lines;
}
