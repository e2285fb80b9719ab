import { Plus } from 'lucide-react';
import {
  addLevel,
  changeLevel,
  levelsOf,
  removeLevel,
  type Job,
  type Level,
  type LevelId,
} from '@amber/core';
import { useEdit } from '../../store/review.js';
import { LengthInput, NameInput } from '../../parts/inputs.js';
import { Button, Field } from '../../parts/ui.js';
import { fresh } from '../../parts/fresh.js';

const LevelRow = ({ job, level }: { job: Job; level: Level }) => {
  const edit = useEdit();
  const set = (change: Partial<Level>, what: string) =>
    edit(changeLevel(job, level.id, change), `${what} of ${level.name}`);
  const without = removeLevel(job, level.id);
  return (
    <li className="flex flex-col gap-2 rounded-md border border-line p-3">
      <NameInput label="Name of the level" value={level.name} onChange={(name) => set({ name }, 'name')} />
      <div className="grid grid-cols-2 gap-2">
        <Field label="Floor at">
          <LengthInput
            value={level.elevation}
            onChange={(elevation) => elevation !== null && set({ elevation }, 'floor')}
          />
        </Field>
        <Field label="Ceiling height">
          <LengthInput value={level.ceiling} onChange={(ceiling) => ceiling && set({ ceiling }, 'ceiling')} />
        </Field>
      </div>
      {without === job ? null : (
        <Button onClick={() => edit(without, `remove the level ${level.name}`)}>Remove {level.name}</Button>
      )}
    </li>
  );
};

/** The floors of the building: runs from one to another are measured by their heights. */
export const LevelsPanel = ({ job, onShow }: { job: Job; onShow: (level: LevelId) => void }) => {
  const edit = useEdit();
  const levels = levelsOf(job).reverse();
  const add = () => {
    const id = fresh<LevelId>('level');
    const name = job.levels.length === 0 ? 'Upper floor' : `Floor ${job.levels.length + 1}`;
    edit(addLevel(job, id, fresh<LevelId>('level'), name), 'add a level');
    onShow(id);
  };
  return (
    <details className="rounded-md border border-line" open={levels.length > 1 || undefined}>
      <summary className="min-h-10 cursor-pointer px-3 py-2.5 font-semibold">
        Levels{levels.length > 1 ? `, ${levels.length}` : ''}
      </summary>
      <div className="flex flex-col gap-3 p-3 pt-1">
        {levels.length < 2 ? (
          <p className="text-[13.5px]">
            Everything is on one floor. Add a level for a floor over or under it.
          </p>
        ) : (
          <ul className="flex flex-col gap-2">
            {levels.map((one) => (
              <LevelRow key={one.id} job={job} level={one} />
            ))}
          </ul>
        )}
        <Button onClick={add}>
          <Plus size={17} /> Level
        </Button>
      </div>
    </details>
  );
};
