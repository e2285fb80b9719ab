import { PANEL, tapeKey, type Led, type Stub } from '@amber/core';
import { Select } from '../../parts/ui.js';

/** Where somebody says that each cable leads, end by end. */
export const WiresTold = ({
  stubs,
  name,
  told,
  wrong,
  onTell,
}: {
  stubs: readonly Stub[];
  name: (stub: Stub) => string;
  told: Readonly<Record<string, Led | undefined>>;
  /** Those of which it was told wrongly; null while nothing is judged. */
  wrong: readonly Stub[] | null;
  onTell: (stub: Stub, led: Led | undefined) => void;
}) => (
  <section aria-label="Where each leads" className="flex flex-col gap-2">
    <h2 className="text-[15px] font-bold">Where each leads</h2>
    {stubs.map((stub) => {
      const key = tapeKey(stub);
      const led = told[key];
      const isWrong = wrong?.some((one) => tapeKey(one) === key) === true;
      return (
        <label
          key={key}
          className={`flex flex-col rounded-md border p-2 text-[13.5px] ${isWrong ? 'border-2 border-violation' : 'border-line'}`}
        >
          <span className="font-semibold">
            {name(stub)}
            {isWrong ? ': not so' : ''}
          </span>
          <Select
            value={led === undefined ? '' : led === PANEL ? PANEL : tapeKey(led)}
            onChange={({ target: { value } }) => {
              const other = stubs.find((one) => tapeKey(one) === value);
              onTell(
                stub,
                value === PANEL ? PANEL : other ? { box: other.box, number: other.number } : undefined,
              );
            }}
          >
            <option value="">not told yet</option>
            <option value={PANEL}>to the panel</option>
            {stubs
              .filter((one) => one.box !== stub.box)
              .map((one) => (
                <option key={tapeKey(one)} value={tapeKey(one)}>
                  to {name(one)}
                </option>
              ))}
          </Select>
        </label>
      );
    })}
  </section>
);
