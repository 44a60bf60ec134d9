// Runs before the first paint; src/ui/shared/useTheme.ts keeps the theme under this name. Without a choice the system's
// own holds.
const chosenTheme = localStorage.getItem('gilder-theme');
const systemTheme = matchMedia('(prefers-color-scheme: dark)').matches ? 'lamplight' : 'daylight';
document.documentElement.dataset.theme =
  chosenTheme === 'lamplight' || chosenTheme === 'daylight' ? chosenTheme : systemTheme;

// What is typed and clicked before React has taken the page over is noted; src/ui/shared/DoneBefore.tsx does it again.
window.gilderBefore = [];
const isAsleep = (target) =>
  !('awake' in document.documentElement.dataset) || target.closest('[data-late]') !== null;
document.addEventListener(
  'input',
  ({ target }) => {
    // A file that is chosen cannot be chosen again for somebody.
    if (!isAsleep(target) || target.type === 'file') return;
    const value = /^(checkbox|radio)$/.test(target.type) ? target.checked : target.value;
    window.gilderBefore = window.gilderBefore.filter((done) => done.target !== target || 'event' in done);
    window.gilderBefore.push({ target, value });
  },
  true,
);
document.addEventListener(
  'click',
  (event) => {
    const { target } = event;
    // Links and boxes do by themselves what they are clicked for.
    if (!isAsleep(target) || target.closest('a, input, select, textarea, label') !== null) return;
    if (target.closest('button, [role="gridcell"]') !== null) window.gilderBefore.push({ target, event });
  },
  true,
);
