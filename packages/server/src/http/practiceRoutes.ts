import express, { Router } from 'express';
import { CONTRACT } from '@amber/core';
import type { PractisedStore } from '../store/practised.js';
import { answer } from './route.js';

/** Who practises, and what came of it. */
export const practiceRoutes = (practised: PractisedStore): Router => {
  const routes = Router();
  routes.use('/practice', express.json({ limit: '8kb' }));
  answer(routes, CONTRACT.learners, async () => ({ learners: await practised.learners() }));
  answer(routes, CONTRACT.practised, async ({ http }) => ({
    practised: await practised.of(String(http.params['learner'])),
  }));
  answer(
    routes,
    CONTRACT.addPractised,
    async ({ request }) => {
      await practised.add(request);
      return { id: request.id };
    },
    { status: 201, refuse: 'bad-record' },
  );
  return routes;
};
