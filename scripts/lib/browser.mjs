import { chromium } from '@playwright/test';
import config from '../../playwright.config.mjs';

/** Debian's Chromium, as the browser tests use it. */
export const openBrowser = () => chromium.launch(config.use.launchOptions);
