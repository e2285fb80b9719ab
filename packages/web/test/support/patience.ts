import { jest } from '@jest/globals';
import { configure } from '@testing-library/react';

/** A whole screen of the demo is drawn without a browser: on a busy machine that takes its time. */
jest.setTimeout(60_000);
configure({ asyncUtilTimeout: 20_000 });
