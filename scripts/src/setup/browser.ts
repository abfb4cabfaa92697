import { chromium, type Browser } from 'playwright-core';
import { chromiumProgram } from './debian';

/** Debian's Chromium without a window, asking nothing of the network. */
export function launchChromium(): Promise<Browser> {
  return chromium.launch({
    executablePath: chromiumProgram(),
    args: [
      '--no-sandbox',
      '--disable-gpu',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
    ],
  });
}
