// Sources: the examples of RFC 6901, section 5, and of RFC 6902, appendix A, on the library by which drafts are edited.
import { applyPatch, Pointer, type Operation } from 'rfc6902';
import { describe, expect, test } from 'vitest';
import { setAt } from '../../src/client/edits/set-at.ts';
import { emptyPolicy } from '../../src/core/policy/empty.ts';

describe('RFC 6901: JSON Pointer', () => {
  const document = {
    foo: ['bar', 'baz'],
    '': 0,
    'a/b': 1,
    'c%d': 2,
    'e^f': 3,
    'g|h': 4,
    'i\\j': 5,
    'k"l': 6,
    ' ': 7,
    'm~n': 8,
  };
  test.each([
    ['', document],
    ['/foo', ['bar', 'baz']],
    ['/foo/0', 'bar'],
    ['/', 0],
    ['/a~1b', 1],
    ['/c%d', 2],
    ['/e^f', 3],
    ['/g|h', 4],
    ['/i\\j', 5],
    ['/k"l', 6],
    ['/ ', 7],
    ['/m~0n', 8],
  ] as const)('section 5: "%s"', (pointer, value) => expect(Pointer.fromJSON(pointer).get(document)).toEqual(value));
  test('edits escape what a pointer must not contain', () => {
    const [operation] = setAt(['wording', 'a/b', 'progress', 'm~n', 'en'], 'text')(emptyPolicy());
    expect(operation!.path).toBe('/wording/a~1b');
  });
});

describe('RFC 6902: JSON Patch, appendix A', () => {
  const applied = (document: unknown, patch: object[]) => {
    const copy = structuredClone(document);
    return {
      failures: applyPatch(copy, patch as Operation[]).filter((failure) => failure !== null).length,
      result: copy,
    };
  };
  test.each<[string, unknown, object[], unknown]>([
    [
      'A.1 adding an object member',
      { foo: 'bar' },
      [{ op: 'add', path: '/baz', value: 'qux' }],
      { baz: 'qux', foo: 'bar' },
    ],
    [
      'A.2 adding an array element',
      { foo: ['bar', 'baz'] },
      [{ op: 'add', path: '/foo/1', value: 'qux' }],
      { foo: ['bar', 'qux', 'baz'] },
    ],
    ['A.3 removing an object member', { baz: 'qux', foo: 'bar' }, [{ op: 'remove', path: '/baz' }], { foo: 'bar' }],
    [
      'A.4 removing an array element',
      { foo: ['bar', 'qux', 'baz'] },
      [{ op: 'remove', path: '/foo/1' }],
      { foo: ['bar', 'baz'] },
    ],
    [
      'A.5 replacing a value',
      { baz: 'qux', foo: 'bar' },
      [{ op: 'replace', path: '/baz', value: 'boo' }],
      { baz: 'boo', foo: 'bar' },
    ],
    [
      'A.6 moving a value',
      { foo: { bar: 'baz', waldo: 'fred' }, qux: { corge: 'grault' } },
      [{ op: 'move', from: '/foo/waldo', path: '/qux/thud' }],
      { foo: { bar: 'baz' }, qux: { corge: 'grault', thud: 'fred' } },
    ],
    [
      'A.7 moving an array element',
      { foo: ['all', 'grass', 'cows', 'eat'] },
      [{ op: 'move', from: '/foo/1', path: '/foo/3' }],
      { foo: ['all', 'cows', 'eat', 'grass'] },
    ],
    [
      'A.8 testing a value: success',
      { baz: 'qux', foo: ['a', 2, 'c'] },
      [
        { op: 'test', path: '/baz', value: 'qux' },
        { op: 'test', path: '/foo/1', value: 2 },
      ],
      { baz: 'qux', foo: ['a', 2, 'c'] },
    ],
    [
      'A.10 adding a nested member object',
      { foo: 'bar' },
      [{ op: 'add', path: '/child', value: { grandchild: {} } }],
      { foo: 'bar', child: { grandchild: {} } },
    ],
    [
      'A.11 ignoring unrecognized elements',
      { foo: 'bar' },
      [{ op: 'add', path: '/baz', value: 'qux', xyz: 123 }],
      { foo: 'bar', baz: 'qux' },
    ],
    ['A.14 ~ escape ordering', { '/': 9, '~1': 10 }, [{ op: 'test', path: '/~01', value: 10 }], { '/': 9, '~1': 10 }],
    [
      'A.16 adding an array value',
      { foo: ['bar'] },
      [{ op: 'add', path: '/foo/-', value: ['abc', 'def'] }],
      { foo: ['bar', ['abc', 'def']] },
    ],
  ])('%s', (_, document, patch, expected) =>
    expect(applied(document, patch)).toEqual({ failures: 0, result: expected }),
  );
  test.each<[string, unknown, object[]]>([
    ['A.9 testing a value: error', { baz: 'qux' }, [{ op: 'test', path: '/baz', value: 'bar' }]],
    ['A.12 adding to a nonexistent target', { foo: 'bar' }, [{ op: 'add', path: '/baz/bat', value: 'qux' }]],
    ['A.15 comparing strings and numbers', { '/': 9, '~1': 10 }, [{ op: 'test', path: '/~01', value: '10' }]],
  ])('%s', (_, document, patch) => expect(applied(document, patch)).toEqual({ failures: 1, result: document }));
});
