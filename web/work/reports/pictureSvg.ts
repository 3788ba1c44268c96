import type { DocumentPicture } from '../../protocol/document';
import { pictureMarks } from '../../drawings/pictureMarks';
import { drawingToSvg } from '../../drawings/svgText';

/** A picture with its marks as an SVG file that holds it; without its file an empty place of its proportions. */
export function pictureSvg(picture: DocumentPicture, file: Uint8Array | undefined): string {
  const { width, height, shapes } = pictureMarks(picture);
  const image = file
    ? `<image href="data:image/jpeg;base64,${Buffer.from(file).toString('base64')}" width="${width}" height="${height}"/>`
    : `<rect width="${width}" height="${height}" fill="#eee"/>`;
  return drawingToSvg({ width, height, shapes }, picture.caption).replace('</title>', `</title>${image}`);
}
