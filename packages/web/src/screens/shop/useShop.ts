import { nanoid } from '@reduxjs/toolkit';
import { useCallback, useState } from 'react';
import type { Article, ArticleChange, ArticleId, Catalog } from '@amber/core';
import { useMoveTruckMutation, usePutArticlesMutation, usePutUnitsMutation } from '../../server/api.js';
import { sayFailed, type Failed } from '../../server/client.js';

/** Something that was changed in the shop, and the way back. */
export interface ShopChange {
  words: string;
  changes: ArticleChange[];
}

/** The ways to change the shop; what was refused is told, and the last change can be taken back. */
export interface Shop {
  save: (words: string, changes: readonly ArticleChange[]) => Promise<boolean>;
  saveUnits: (units: Omit<Catalog, 'articles'>) => Promise<boolean>;
  /** The last change of articles that can be taken back; null for none. */
  last: ShopChange | null;
  undo: () => Promise<boolean>;
  /** So much more of an article is on the truck, or less. */
  moveTruck: (article: ArticleId, amount: number) => Promise<boolean>;
  trouble: string | null;
}

export const useShop = (): Shop => {
  const [putArticles] = usePutArticlesMutation();
  const [putUnits] = usePutUnitsMutation();
  const [putMove] = useMoveTruckMutation();
  const [done, setDone] = useState<readonly ShopChange[]>([]);
  const [trouble, setTrouble] = useState<string | null>(null);
  const told = useCallback((error: unknown): boolean => {
    setTrouble(error === undefined ? null : sayFailed(error as Failed));
    return error === undefined;
  }, []);
  const put = useCallback(
    async (articles: Article[]) => told((await putArticles(articles)).error),
    [putArticles, told],
  );
  const save = useCallback(
    async (words: string, changes: readonly ArticleChange[]) => {
      if (changes.length === 0) return true;
      const ok = await put(changes.map(({ after }) => after));
      if (ok) setDone((before) => [...before, { words, changes: [...changes] }]);
      return ok;
    },
    [put],
  );
  const last = done.at(-1) ?? null;
  const undo = useCallback(async () => {
    if (!last) return true;
    const ok = await put(last.changes.map(({ before }) => before));
    if (ok) setDone((all) => all.slice(0, -1));
    return ok;
  }, [last, put]);
  const saveUnits = useCallback(
    async (units: Omit<Catalog, 'articles'>) => told((await putUnits(units)).error),
    [putUnits, told],
  );
  const moveTruck = useCallback(
    async (article: ArticleId, amount: number) =>
      told((await putMove({ id: nanoid(), article, amount })).error),
    [putMove, told],
  );
  return { save, saveUnits, moveTruck, last, undo, trouble };
};
