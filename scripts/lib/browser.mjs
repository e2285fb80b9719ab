import { chromium } from '@playwright/test';
import config from '../../playwright.config.mjs';

/** Debian's Chromium, as the browser tests use it. */
export const openBrowser = () => chromium.launch(config.use.launchOptions);

/** Figures that the browser keeps of a page, by their names; seconds and bytes. */
export const metricsOf = async (page) => {
  const client = await page.context().newCDPSession(page);
  await client.send('Performance.enable');
  return async (name) => {
    const { metrics } = await client.send('Performance.getMetrics');
    return metrics.find((one) => one.name === name).value;
  };
};

/** What the scripts of a page hold, megabytes. */
export const heapOf = async (page) => (await (await metricsOf(page))('JSHeapUsedSize')) / 1e6;
