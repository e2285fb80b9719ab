import type { TDocumentDefinitions } from 'pdfmake/interfaces.js';
import pdfMake from 'pdfmake/build/pdfmake.js';

/** The faces that a packet is set in, with all its signs: the bytes of two TrueType files. */
export interface Faces {
  regular: Uint8Array;
  bold: Uint8Array;
}

/** What of the library is used: the same build in a page, in a worker and on the command line, so that they give the same bytes. */
interface Maker {
  virtualfs: { writeFileSync: (path: string, bytes: Uint8Array) => void };
  addFonts: (fonts: Record<string, Record<'normal' | 'bold' | 'italics' | 'bolditalics', string>>) => void;
  createPdf: (document: TDocumentDefinitions) => { getBuffer: () => Promise<Uint8Array> };
}
const maker = pdfMake as unknown as Maker;

/**
 * The files of the two faces are called as the faces call themselves: under that name alone the library finds a face that it has
 * opened already. Under another it reads the whole face again for every word of a picture, a third of the time of a packet.
 */
const FILES = { regular: 'DejaVuSansCondensed', bold: 'DejaVuSansCondensed-Bold' };

/** Sets a document as PDF. The same document gives the same bytes wherever it is set. */
export const writePdf = async (
  document: TDocumentDefinitions,
  { regular, bold }: Faces,
): Promise<Uint8Array> => {
  maker.virtualfs.writeFileSync(FILES.regular, regular);
  maker.virtualfs.writeFileSync(FILES.bold, bold);
  maker.addFonts({
    Packet: {
      normal: FILES.regular,
      bold: FILES.bold,
      italics: FILES.regular,
      bolditalics: FILES.bold,
    },
  });
  return new Uint8Array(await maker.createPdf(document).getBuffer());
};
