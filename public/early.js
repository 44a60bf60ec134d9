// Runs before the first paint; src/ui/shared/useTheme.ts keeps the theme under this name. Without a choice the system's
// own holds.
const chosenTheme = localStorage.getItem('gilder-theme');
const systemTheme = matchMedia('(prefers-color-scheme: dark)').matches ? 'lamplight' : 'daylight';
document.documentElement.dataset.theme =
  chosenTheme === 'lamplight' || chosenTheme === 'daylight' ? chosenTheme : systemTheme;

// What is typed before React has taken the page over is noted; src/ui/shared/TypedBefore.tsx takes it up.
window.gilderTyped = new Map();
document.addEventListener(
  'input',
  ({ target }) => {
    const awake = 'awake' in document.documentElement.dataset && target.closest('[data-late]') === null;
    if (!awake) window.gilderTyped.set(target, /^(checkbox|radio)$/.test(target.type) ? target.checked : target.value);
  },
  true,
);
