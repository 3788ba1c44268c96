import type { Paper } from '../../protocol/document';
import { setOnPaper, taggedPdf } from './paper';
import { qrSvg } from './qrSvg';

export interface Labels {
  /** Of the property. */
  name: string;
  firm: string;
  paper: Paper;
  trees: { label: string; address: string }[];
}

/** Labels of trees as PDF, 60 x 32 mm each. */
export function labelsPdf({ trees, ...head }: Labels): Uint8Array {
  const labels = {
    ...head,
    trees: trees.map(({ label, address }) => ({
      label, // Read by a phone from a label that is wet or scratched.
      svg: qrSvg(address, 'Q', '#000'),
    })),
  };
  return taggedPdf(setOnPaper(['web', 'work', 'paper', 'labels.typ'], { labels: JSON.stringify(labels) }));
}
