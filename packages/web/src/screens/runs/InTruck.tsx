import { cablesFor, feetWord, ofId, setFromTruck, setTruckShare, type Circuit, type Job } from '@amber/core';
import { NumberInput } from '../../parts/inputs.js';
import { Button, Field } from '../../parts/ui.js';
import { useTruckQuery } from '../../server/api.js';
import { useEdit } from '../../store/review.js';

/** Cable that is left over: how much of each kind is in the truck, and how little of its price counts where plans are weighed by what is bought. */
export const InTruck = ({ job, circuit }: { job: Job; circuit: Circuit }) => {
  const edit = useEdit();
  const { data: truck } = useTruckQuery();
  const cables = cablesFor(job, circuit);
  const { truckShare } = job.order;
  return (
    <section aria-label="In the truck">
      <h3 className="text-[15px] font-bold">In the truck</h3>
      <p className="text-[13px] text-quiet">
        The order leaves it out; among the ways it counts under “Buy least” alone: a foot that is there costs{' '}
        {truckShare} % of its price, as far as it reaches; all circuits of the job cut from it, the others
        first. Whether a piece is long enough for its run is to be seen in the truck.
      </p>
      <ul className="mt-1.5 grid gap-x-4 gap-y-2 sm:grid-cols-2">
        {cables.map(({ id, name }) => {
          const counted = Math.floor(truck?.find(({ article }) => article === id)?.amount ?? 0);
          const taken = ofId(job.order.fromTruck, id) ?? 0;
          return (
            <li key={id}>
              <Field label={`${name}, feet`}>
                <NumberInput
                  value={taken}
                  least={0}
                  most={100_000}
                  unit="ft"
                  onChange={(feet) => edit(setFromTruck(job, id, feet), `${name} in the truck`)}
                />
              </Field>
              {counted > taken ? (
                <Button
                  look="bare"
                  className="text-[13px] underline"
                  onClick={() => edit(setFromTruck(job, id, counted), `${name} in the truck`)}
                >
                  The truck has {feetWord(counted)} ft: take it
                </Button>
              ) : null}
            </li>
          );
        })}
        <li>
          <Field label="Counts, percent of its price">
            <NumberInput
              value={truckShare}
              least={0}
              most={100}
              unit="%"
              onChange={(share) => edit(setTruckShare(job, share), 'how cable in the truck counts')}
            />
          </Field>
        </li>
      </ul>
    </section>
  );
};
