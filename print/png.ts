import sharp from 'sharp';

/** Points of a picture to a unit of its drawing, for print at 300 points to the inch. */
const DENSITY = 192;

/** An SVG of ours as PNG, on white. */
export const pngOf = async (svg: string): Promise<Uint8Array> =>
  new Uint8Array(
    await sharp(Buffer.from(svg), { density: DENSITY }).flatten({ background: '#ffffff' }).png().toBuffer(),
  );
