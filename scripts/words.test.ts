import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';
import { GLOSSARY, glossaryFor, ONE_WORD } from '../core/src/vocabulary/glossary';

/** Files whose texts are not read: what older case files were called, and the words that are looked for themselves. */
const NOT_READ = /\.test\.tsx?$|tests\/|format\/migrate\.ts$|vocabulary\/glossary\.ts$|server\/database\//;
/** Attributes that hold no text. */
const NO_TEXT = /^(className|href|data-testid|id|name|type|accept|d|viewBox)$/;

const filesIn = (folder: string): string[] =>
  readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((f) => f.isFile() && /\.tsx?$/.test(f.name) && !/node_modules|\.next/.test(f.parentPath))
    .map((f) => join(f.parentPath, f.name))
    .filter((file) => !NOT_READ.test(file));

/** Texts of a source file that a person may read: with a space in them or between tags, and no SQL. */
function textsOf(file: string): { at: string; text: string }[] {
  const source = readFileSync(file, 'utf8');
  const kind = file.endsWith('x') ? ts.ScriptKind.TSX : ts.ScriptKind.TS;
  const tree = ts.createSourceFile(file, source, ts.ScriptTarget.Latest, true, kind);
  const found: { at: string; text: string }[] = [];
  const see = (node: ts.Node): void => {
    if (ts.isImportDeclaration(node) || ts.isExportDeclaration(node)) return;
    if (ts.isJsxAttribute(node) && NO_TEXT.test(node.name.getText())) return;
    const quoted =
      ts.isStringLiteralLike(node) ||
      ts.isTemplateHead(node) ||
      ts.isTemplateMiddle(node) ||
      ts.isTemplateTail(node);
    if (quoted || ts.isJsxText(node)) {
      const text = node.text.replace(/\s+/g, ' ').trim();
      const read = ts.isJsxText(node)
        ? text !== ''
        : / /.test(node.text) && !/^(select|insert|update|delete|with|create|\(select) /.test(text);
      const line = tree.getLineAndCharacterOfPosition(node.getStart()).line + 1;
      if (read) found.push({ at: `${file}:${line}`, text });
    }
    ts.forEachChild(node, see);
  };
  see(tree);
  return found;
}

/** Paragraphs of the docs, without code and addresses. */
const prose = [
  'README.md',
  'CONTRIBUTING.md',
  ...['demo', 'verdict', 'practice', 'architecture', 'case-format'].map((d) => `docs/${d}.md`),
].flatMap((file) =>
  readFileSync(file, 'utf8')
    .replace(/```[\s\S]*?```|`[^`]*`|\]\([^)]*\)/g, '')
    .split('\n')
    .map((text, i) => ({ at: `${file}:${i + 1}`, text })),
);
const texts = [...['core/src', 'core/cli', 'web'].flatMap(filesIn).flatMap(textsOf), ...prose];

test('one word for one thing: no text says another for it', () => {
  expect(texts.length).toBeGreaterThan(4000);
  const wrong = texts.flatMap(({ at, text }) =>
    ONE_WORD.filter(({ not }) => not.test(text)).map(
      ({ write }) => `${at}: write ${write}: ${text.slice(0, 100)}`,
    ),
  );
  expect(wrong).toEqual([]);
});

test('what is looked for is found, and every term of the glossary is used somewhere', () => {
  for (const said of [
    'The roots squeeze the bark.',
    'Not looked at.',
    'They were brought in.',
    'It stands drought.',
  ])
    expect(ONE_WORD.filter(({ not }) => not.test(said))).toHaveLength(1);
  const used = new Set(glossaryFor(texts.map((t) => t.text).join('\n')).map((t) => t.name));
  expect(GLOSSARY.filter((t) => !used.has(t.name)).map((t) => t.name)).toEqual([]);
});
