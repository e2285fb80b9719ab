import { useState, type FormEvent } from 'react';
import { CONTRACT } from '@amber/core';
import { certificatePath } from '../parts/paths.js';
import { Button, controlLook } from '../parts/ui.js';
import { ask, sayFailed } from '../server/client.js';

/** The code that came with the address, as the drawn square has it; it is never sent by following a link. */
const codeOf = (hash: string): string => new URLSearchParams(hash.slice(1)).get('code') ?? '';

/** A device that was not let in yet: by the code that was printed where the program runs, and under a name that it is known by there. */
export const Pair = ({ certificate, onPaired }: { certificate: boolean; onPaired: () => void }) => {
  const [code, setCode] = useState(() => codeOf(location.hash));
  const [name, setName] = useState('');
  const [trouble, setTrouble] = useState<string | null>(null);
  const [asking, setAsking] = useState(false);
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    setAsking(true);
    const answer = await ask(CONTRACT.pair, { body: { code, name: name.trim() } });
    setAsking(false);
    if (answer.kind !== 'ok') {
      setTrouble(answer.kind === 'refused' ? answer.problem.message : sayFailed(answer));
      return;
    }
    // The code stays in no address that is kept or shown.
    history.replaceState(null, '', location.pathname + location.search);
    onPaired();
  };
  return (
    <main className="mx-auto flex h-full max-w-md flex-col gap-5 overflow-y-auto px-5 py-10">
      <img src="/icon.svg" alt="" width="48" height="48" />
      <h1 className="text-2xl font-bold">Let this device in</h1>
      <p>
        The code was printed where Amber Junction was started. It is typed once; the device is known by its
        name from then on, and can be put out there.
      </p>
      <form onSubmit={(event) => void submit(event)} className="flex flex-col gap-4">
        <label>
          <span className="mb-1 block text-[13px] font-semibold">Access code</span>
          <input
            value={code}
            required
            maxLength={40}
            autoComplete="off"
            autoCapitalize="characters"
            spellCheck={false}
            onChange={(event) => setCode(event.target.value)}
            className={`${controlLook} tracking-widest uppercase`}
          />
        </label>
        <label>
          <span className="mb-1 block text-[13px] font-semibold">Name of this device</span>
          <input
            value={name}
            required
            maxLength={60}
            placeholder="Tablet of the truck"
            onChange={(event) => setName(event.target.value)}
            className={controlLook}
          />
        </label>
        {trouble === null ? null : (
          <p role="alert" className="font-semibold text-violation">
            {trouble}
          </p>
        )}
        <Button look="main" type="submit" className="self-start" disabled={asking}>
          Let it in
        </Button>
      </form>
      {certificate ? (
        <details className="border-t border-line pt-4 text-[14px]">
          <summary className="min-h-10 cursor-pointer font-semibold">
            The browser warns of the certificate
          </summary>
          <p className="mt-2">
            The program made it for itself. Without trust in it the pages work, but not without a connection.
            To trust it for good:{' '}
            <a href={certificatePath} download className="font-semibold underline">
              take the certificate
            </a>{' '}
            onto this device, open it, and let the settings of the device install it as an authority (on some
            devices it is then switched on under trusted certificates). It vouches for the addresses of that
            machine and for no others. Do so only where this address is that of your own machine.
          </p>
        </details>
      ) : null}
    </main>
  );
};
