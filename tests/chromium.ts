/**
 * Debian's Chromium without a window (package `chromium-headless-shell`). The same engine as the whole browser's, with the
 * bare frame around it: the tests need two thirds of the processor time.
 */
export const CHROMIUM = '/usr/bin/chromium-headless-shell';
