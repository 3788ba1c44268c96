import { Linter } from 'eslint';
import { ownLines } from './ownLines.mjs';

/** What the rule says of a program, at most four lines a function. */
const told = (code: string): string[] =>
  new Linter()
    .verify(code, {
      plugins: { own: { rules: { lines: ownLines } } },
      rules: { 'own/lines': ['error', 4] },
      languageOptions: { parserOptions: { ecmaFeatures: { jsx: true } } },
    } as never)
    .map((m) => `${m.line}: ${m.message}`);

test('a function that is too long is told with its lines; blank lines and comments are none', () => {
  expect(told('function f() {\n  a();\n\n  // Why.\n  b();\n}')).toEqual([]);
  expect(told('function f() {\n  a();\n  b();\n  c();\n}')).toEqual([
    '1: This function has 5 lines of its own; at most 4, or a reason beside it.',
  ]);
});

test('markup is not counted, nor a function with a name of its own; one without is', () => {
  expect(
    told('const f = () => {\n  const a = b();\n  return (\n    <p>\n      {a}\n    </p>\n  );\n};'),
  ).toEqual(['1: This function has 5 lines of its own; at most 4, or a reason beside it.']);
  expect(told('const f = () => (\n  <p>\n    a\n    b\n    c\n  </p>\n);')).toEqual([]);
  expect(told('function f() {\n  const g = () => {\n    a();\n    b();\n  };\n  return g;\n}')).toEqual([]);
  expect(told('function f() {\n  return [1].map(() => {\n    a();\n    b();\n  });\n}')).toHaveLength(1);
});

test('a long function may stand with its reason beside it', () => {
  expect(
    told('// eslint-disable-next-line own/lines -- data\nfunction f() {\n  a();\n  b();\n  c();\n}'),
  ).toEqual([]);
});
