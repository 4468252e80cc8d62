/** What a semicolon may stand in without ending a statement: quoted text and comments. The last piece may be unfinished. */
const pieces =
  /'(?:[^'\\]|\\[\s\S]|'')*'?|"(?:[^"\\]|\\[\s\S]|"")*"?|`[^`]*`?|--[ \t][^\n]*|--(?=\n|$)|#[^\n]*|\/\*[\s\S]*?(?:\*\/|$)|;|[^'"`\-#/;]+|./g;

/** The statements of a file of SQL, without its comments. A semicolon in a text, a name or a comment ends nothing. */
export function statementsOf(sql: string): string[] {
  const statements: string[] = [];
  let statement = '';
  for (const [piece] of sql.matchAll(pieces)) {
    if (piece === ';') {
      statements.push(statement);
      statement = '';
    } else if (piece.startsWith('#') || piece.startsWith('--') || (piece.startsWith('/*') && !/^\/\*[!M]/.test(piece)))
      statement += ' ';
    else statement += piece;
  }
  statements.push(statement);
  return statements.map((one) => one.trim()).filter((one) => one !== '');
}
