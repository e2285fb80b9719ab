import { FILE_PATHS, jobNewsSchema, pathOf, type JobNews } from '@amber/core';
import { nanoid } from '@reduxjs/toolkit';
import { tabName } from './tab.js';

const BROWSER = 'amber-junction.browser';

/** Names this browser, so that two of its tabs are known as such. Where nothing can be kept, each page is one of its own. */
export const browserName = (): string => {
  try {
    const kept = localStorage.getItem(BROWSER) ?? nanoid();
    localStorage.setItem(BROWSER, kept);
    return kept;
  } catch {
    return tabName();
  }
};

/**
 * Listens to what becomes of a job, while the page is looked at: a browser opens few connections to one server, and tabs that nobody looks at would use
 * them up. A page that is turned to again is told at once how it stands. Gives a way to end it.
 */
export const listenTo = (job: string, called: string, heard: (news: JobNews) => void): (() => void) => {
  if (typeof EventSource === 'undefined') return () => undefined;
  let source: EventSource | null = null;
  const query = new URLSearchParams({ editor: tabName(), browser: browserName(), called });
  const open = () => {
    source = new EventSource(`/api${pathOf({ path: FILE_PATHS.events }, { id: job })}?${query.toString()}`);
    source.onmessage = ({ data }: MessageEvent<string>) => {
      const news = jobNewsSchema.safeParse(JSON.parse(data));
      if (news.success) heard(news.data);
    };
  };
  const close = () => {
    source?.close();
    source = null;
  };
  const turned = () => {
    if (document.hidden) close();
    // A browser gives up for good where the answer was a refusal, as while the server is started anew.
    else if (source === null || source.readyState === EventSource.CLOSED) open();
  };
  const timer = setInterval(turned, 5_000);
  document.addEventListener('visibilitychange', turned);
  turned();
  return () => {
    clearInterval(timer);
    document.removeEventListener('visibilitychange', turned);
    close();
  };
};
