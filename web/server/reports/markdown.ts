import type { Block, ReadDocument } from '../../protocol/document';

const inCell = (text: string): string => text.replace(/\|/g, '\\|').replace(/\n/g, '<br>');
const row = (cells: readonly string[]): string => `| ${cells.map(inCell).join(' | ')} |`;

function linesOf(block: Block): string[] {
  switch (block.as) {
    case 'text':
      return [
        block.tone === 'strong'
          ? `**${block.text}**`
          : block.tone === 'muted'
            ? `_${block.text}_`
            : block.text,
      ];
    case 'heading':
      return [`### ${block.text}`];
    case 'pairs':
      return [
        [
          row(['', '']),
          row(['---', '---']),
          ...block.rows.map((r) => row([r.name, r.small ? `${r.value}\n${r.small}` : r.value])),
        ].join('\n'),
      ];
    case 'table':
      return [[row(block.head), row(block.head.map(() => '---')), ...block.rows.map(row)].join('\n')];
    case 'list':
      return [
        ...(block.title ? [`**${block.title}**`] : []),
        block.lines.map((line, i) => (block.ordered ? `${i + 1}. ${line}` : `- ${line}`)).join('\n'),
      ];
    case 'figure':
      return [`_Drawing: ${block.caption}_`];
  }
}

/** A document as Markdown; drawings stand as their captions. */
export const documentMarkdown = (doc: ReadDocument): string =>
  `${[
    `# ${doc.title}`,
    `${doc.firm} · ${doc.stamp}`,
    ...doc.lines,
    ...doc.sections.flatMap((section) => [`## ${section.title}`, ...section.blocks.flatMap(linesOf)]),
    `_${doc.foot}_`,
  ].join('\n\n')}\n`;
