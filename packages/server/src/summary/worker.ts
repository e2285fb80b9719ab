import { summariseDocument } from './summarise.js';

/** What a thread of its own does. */
export default summariseDocument;
