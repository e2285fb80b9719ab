import { proxy, wrap } from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { PacketAsked, PacketMaker } from './packetWorker.js';

/** How far a packet is. */
export type PacketWork =
  | { kind: 'working'; words: string }
  | { kind: 'done'; bytes: number }
  | { kind: 'stopped' }
  | { kind: 'failed'; message: string };

/** Makes a packet in a worker of its own, which is ended when it is done, stopped, or whoever asked is gone. */
export const usePacket = (
  onDone: (pdf: Uint8Array) => void,
): { work: PacketWork | null; make: (asked: PacketAsked) => void; stop: () => void } => {
  const [work, setWork] = useState<PacketWork | null>(null);
  const end = useRef<() => void>(() => undefined);
  useEffect(() => () => end.current(), []);
  const make = useCallback(
    (asked: PacketAsked) => {
      end.current();
      const worker = new Worker(new URL('./packetWorker.ts', import.meta.url), { type: 'module' });
      const maker = wrap<PacketMaker>(worker);
      let current = true;
      end.current = () => {
        current = false;
        worker.terminate();
      };
      const settle = (found: PacketWork) => {
        if (!current) return;
        setWork(found);
        end.current();
      };
      const failed = (error: unknown) =>
        settle({ kind: 'failed', message: error instanceof Error ? error.message : String(error) });
      worker.addEventListener('error', (event) => failed(event.message));
      setWork({ kind: 'working', words: 'The packet is begun …' });
      maker
        .make(
          asked,
          proxy((words: string) => current && setWork({ kind: 'working', words })),
        )
        .then((pdf) => {
          if (current) onDone(pdf);
          settle({ kind: 'done', bytes: pdf.length });
        }, failed);
    },
    [onDone],
  );
  const stop = useCallback(() => {
    end.current();
    setWork({ kind: 'stopped' });
  }, []);
  return { work, make, stop };
};
