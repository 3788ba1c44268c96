/**
 * How many lines of code a function has by itself: markup is a form in the order it is read, and a function within that has
 * a name of its own is counted there. Blank lines and comments are none.
 */
const JSX = new Set(['JSXElement', 'JSXFragment']);
const FUNCTIONS = new Set(['FunctionDeclaration', 'FunctionExpression', 'ArrowFunctionExpression']);

const isNamed = (node) =>
  node.type === 'FunctionDeclaration' ||
  (FUNCTIONS.has(node.type) && ['VariableDeclarator', 'MethodDefinition'].includes(node.parent.type));

/** Nodes within a function that are not counted as its own. */
function apart(node, keys, found = []) {
  for (const key of keys[node.type] ?? [])
    for (const child of [node[key]].flat()) {
      if (!child) continue;
      if (JSX.has(child.type) || isNamed(child)) found.push(child);
      else apart(child, keys, found);
    }
  return found;
}

export const ownLines = {
  meta: {
    type: 'suggestion',
    schema: [{ type: 'integer', minimum: 1 }],
    messages: {
      long: 'This function has {{lines}} lines of its own; at most {{most}}, or a reason beside it.',
    },
  },
  create(context) {
    const [most] = context.options;
    const { sourceCode } = context;
    const check = (node) => {
      const { start, end } = node.loc;
      if (end.line - start.line < most) return;
      const lines = new Set();
      for (const { loc } of sourceCode.getTokens(node))
        for (let line = loc.start.line; line <= loc.end.line; line++) lines.add(line);
      for (const { loc } of apart(node, sourceCode.visitorKeys))
        for (let line = loc.start.line; line <= loc.end.line; line++) lines.delete(line);
      if (lines.size > most)
        context.report({
          loc: { line: start.line, column: start.column },
          messageId: 'long',
          data: { lines: lines.size, most },
        });
    };
    return Object.fromEntries([...FUNCTIONS].map((type) => [type, check]));
  },
};
