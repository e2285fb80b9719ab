import { expose } from 'comlink';
import { planner } from './planner.js';

expose(planner);
