import { useEffect, useState } from 'react';
import type { Job } from '@amber/core';
import { saveFile } from '../parts/saveFile.js';
import { Button } from '../parts/ui.js';
import {
  letGoUnread,
  textOfUnread,
  unreadDrafts,
  whyUnread,
  type UnreadDraft,
} from '../store/unreadDrafts.js';

/** What this browser keeps unsaved of the job and this version cannot read: it is told, and can be taken away as a file. */
export const UnreadBar = ({ job }: { job: Job }) => {
  const [drafts, setDrafts] = useState<UnreadDraft[]>([]);
  const [taken, setTaken] = useState<ReadonlySet<string>>(new Set());
  const { id, name } = job;
  useEffect(() => {
    let current = true;
    void unreadDrafts(id).then((found) => {
      if (current) setDrafts(found);
    });
    return () => {
      current = false;
    };
  }, [id]);
  return drafts.map((draft) => (
    <div
      key={draft.id}
      role="alert"
      className="flex flex-wrap items-center gap-x-4 gap-y-2 border-b border-line bg-white px-4 py-2.5"
    >
      <p className="min-w-60 flex-1">
        <strong>Something unsaved of this job cannot be read by this version of the program.</strong> It is
        kept in this browser as it is. <span className="break-words text-quiet">{whyUnread(draft)}</span>
      </p>
      <Button
        look="main"
        onClick={() => {
          saveFile(`${name}, unsaved.json`, 'application/json', textOfUnread(draft));
          setTaken((before) => new Set([...before, draft.id]));
        }}
      >
        Save it as a file
      </Button>
      <Button
        disabled={!taken.has(draft.id)}
        title={taken.has(draft.id) ? undefined : 'Save it as a file first'}
        onClick={() => {
          letGoUnread(id, draft.id);
          setDrafts((before) => before.filter((one) => one.id !== draft.id));
        }}
      >
        Remove it here
      </Button>
    </div>
  ));
};
