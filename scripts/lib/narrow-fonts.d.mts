import type { Plugin } from 'vite';

export function narrowFonts(): Plugin;
