import type { Theme } from '../../core/slices/settings/state';

const NIGHT = '(prefers-color-scheme: dark)';

/** Keeps the page in the theme that is set, following the system where it should; the returned function stops that. */
export function applyTheme(theme: Theme): () => void {
  const system = matchMedia(NIGHT);
  const apply = () => {
    const night = theme === 'night' || (theme === 'system' && system.matches);
    document.documentElement.dataset.theme = night ? 'night' : 'day';
  };
  apply();
  system.addEventListener('change', apply);
  return () => system.removeEventListener('change', apply);
}
