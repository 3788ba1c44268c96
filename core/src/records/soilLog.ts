import { TEXTURES } from '../vocabulary/textures';
import type { Parts, ValuesOf } from './kind';

/** How many layers a hole has at most. */
export const MOST_LAYERS = 20;

/** What one hole of the soil probe showed, layer by layer. Bearing in degrees clockwise from true north. */
export const soilLog = ({ bearing, length, pictureHash, text, z }: Parts) =>
  z.strictObject({
    /** In the mulch ring, just outside it, in open ground, by the reference tree. */
    place: z.enum(['ring', 'outside', 'open', 'reference']),
    bearing,
    /** From the bark outward. */
    distance: length('siteDistance'),
    /** Each from the one above it down to `to`. */
    layers: z
      .array(
        z.strictObject({
          to: length('layer'),
          /** Topsoil is dark; pale soil holds little organic matter; grey and mottled soil is long wet. */
          colour: z.enum(['dark', 'brown', 'pale', 'mottled', 'grey', 'mixed']).optional(),
          /** By feel or by the laboratory. */
          texture: z.enum(TEXTURES).optional(),
          moisture: z.enum(['dry', 'moist', 'wet', 'water']).optional(),
          smell: z.enum(['none', 'sour', 'rotten']).optional(),
          roots: z.enum(['none', 'few', 'many']).optional(),
        }),
      )
      .max(MOST_LAYERS)
      .refine(
        (layers) => layers.every((l, i) => l.to > (layers[i - 1]?.to ?? 0)),
        'depths jump back: each layer ends deeper than the one before',
      ),
    /** Depth at which the probe would go no farther. */
    refusal: length('layer').optional(),
    /** Depth of the original grade, where it was seen. */
    oldGrade: length('layer').optional(),
    /** The picture of its face on which the depths were measured. */
    traced: pictureHash.optional(),
    note: text(500).optional(),
  });

export type SoilLog = ValuesOf<typeof soilLog>;
export type SoilLayer = SoilLog['layers'][number];
export type LogPlace = SoilLog['place'];
