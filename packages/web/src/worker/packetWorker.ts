import { expose } from 'comlink';
import { reviewJob, type CircuitId, type Job, type SiteRecord } from '@amber/core';
import { packetDocument, writePdf, type Faces, type Paper, type Section } from '@amber/packet';
import bold from 'dejavu-fonts-ttf/ttf/DejaVuSansCondensed-Bold.ttf?url';
import regular from 'dejavu-fonts-ttf/ttf/DejaVuSansCondensed.ttf?url';

/** What a packet is made of, as the page asks for it. */
export interface PacketAsked {
  job: Job;
  circuit: CircuitId | null;
  records: readonly SiteRecord[];
  sections: readonly Section[];
  paper: Paper;
  state: string;
}

const face = async (address: string): Promise<Uint8Array> => {
  const answer = await fetch(address);
  if (!answer.ok)
    throw new Error('The letters of the packet could not be loaded. Try again when the server answers.');
  return new Uint8Array(await answer.arrayBuffer());
};

const faces = async (): Promise<Faces> => {
  const [plain, heavy] = await Promise.all([face(regular), face(bold)]);
  return { regular: plain, bold: heavy };
};

const maker = {
  /** The packet as the bytes of a PDF; tells how far it is in words. */
  make: async ({ job, ...asked }: PacketAsked, tell: (words: string) => void): Promise<Uint8Array> => {
    tell('The job is read …');
    const document = packetDocument({ ...asked, review: reviewJob(job), made: new Date() }, (section) =>
      tell(`Written: ${section} …`),
    );
    tell('The pages are set …');
    return writePdf(document, await faces());
  },
};
export type PacketMaker = typeof maker;

expose(maker);
