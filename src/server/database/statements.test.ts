import { readdirSync, readFileSync } from 'node:fs';
import { expect, test } from 'vitest';
import { statementsOf } from './statements.ts';

test.each<[string, string, string[]]>([
  ['one a line', 'SELECT 1;\nSELECT 2;\n', ['SELECT 1', 'SELECT 2']],
  ['several on a line, the last without an end', 'SELECT 1; SELECT 2', ['SELECT 1', 'SELECT 2']],
  [
    'a semicolon at the end of a line of a text',
    "INSERT INTO t VALUES ('a;\nb', 'it''s;', 'x\\';')",
    ["INSERT INTO t VALUES ('a;\nb', 'it''s;', 'x\\';')"],
  ],
  ['in a name and in double quotes', 'SELECT `a;b`, "c;d"; SELECT 2', ['SELECT `a;b`, "c;d"', 'SELECT 2']],
  [
    'comments with semicolons',
    '-- one;\nSELECT 1 /* two; */ + 1; # three;\nSELECT 5 - -3',
    ['SELECT 1   + 1', 'SELECT 5 - -3'],
  ],
  ['what looks like a comment in a text', "SELECT '-- no', '# no', '/* no */'", ["SELECT '-- no', '# no', '/* no */'"]],
  ['two minus signs without a space are arithmetic', 'SELECT 5--3', ['SELECT 5--3']],
  ['a comment that the server runs', 'SELECT 1 /*! + 1 */', ['SELECT 1 /*! + 1 */']],
  ['nothing', ' ;; -- only this\n', []],
])('%s', (_, sql, statements) => expect(statementsOf(sql)).toEqual(statements));

test('every migration is statements that begin with what they do', () => {
  const folder = new URL('../../../db/migrations/', import.meta.url);
  for (const file of readdirSync(folder))
    for (const statement of statementsOf(readFileSync(new URL(file, folder), 'utf8')))
      expect(statement).toMatch(
        /^(CREATE TABLE IF NOT EXISTS|ALTER TABLE|INSERT IGNORE|UPDATE|DROP TABLE|CREATE INDEX)/,
      );
});
