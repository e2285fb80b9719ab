import { CONTRACT, type PairedDevice } from '@amber/core';
import { when } from '../../parts/format.js';
import { Button } from '../../parts/ui.js';
import { jobsApi, useDevicesQuery } from '../../server/api.js';
import { ask, sayFailed, type Failed } from '../../server/client.js';
import { noticed } from '../../store/noticeSlice.js';
import { useAppDispatch } from '../../store/store.js';

const ROLE = {
  full: 'Does all that this machine does',
  field: 'Field view: ticks, records, photographs',
} as const;

const Row = ({ device, onOut }: { device: PairedDevice; onOut: () => void }) => (
  <li className="flex flex-wrap items-center gap-x-4 gap-y-2 px-4 py-3">
    <span className="min-w-52 flex-1">
      <span className="block font-semibold break-words">{device.name}</span>
      <span className="block text-[13px] text-quiet">
        {ROLE[device.role]} · let in {when(device.pairedAt)} · last seen {when(device.seenAt)}
      </span>
    </span>
    <Button aria-label={`Put out ${device.name}`} onClick={onOut}>
      Put out
    </Button>
  </li>
);

/** Tablets and telephones that were let in by a code. */
export const DevicesScreen = () => {
  const { data, error } = useDevicesQuery();
  const dispatch = useAppDispatch();
  const putOut = async ({ id, name }: PairedDevice) => {
    const answer = await ask(CONTRACT.putOut, { ids: { device: id } });
    dispatch(
      answer.kind === 'ok'
        ? noticed(`${name} was put out. With the code it can come in again.`)
        : noticed(`${name} was not put out.\n${sayFailed(answer)}`, { tone: 'problem' }),
    );
    dispatch(jobsApi.util.invalidateTags(['Access']));
  };
  return (
    <main className="min-h-0 flex-1 overflow-y-auto">
      <div className="mx-auto flex max-w-3xl flex-col gap-5 px-5 py-7 sm:px-8">
        <h1 className="text-2xl font-bold">Devices</h1>
        <p>
          Tablets and telephones that came in by the code that was printed when the program was started. What
          is lost or lent is put out here, and gets nothing more from then on. Start the program anew for
          other codes.
        </p>
        {error ? (
          <p role="alert" className="font-semibold text-violation">
            The devices cannot be listed. {sayFailed(error as Failed)}
          </p>
        ) : null}
        {data?.length === 0 ? <p className="text-quiet">None has come in yet.</p> : null}
        {data && data.length > 0 ? (
          <ul className="divide-y divide-line rounded-lg border border-line bg-sheet">
            {data.map((device) => (
              <Row key={device.id} device={device} onOut={() => void putOut(device)} />
            ))}
          </ul>
        ) : null}
      </div>
    </main>
  );
};
