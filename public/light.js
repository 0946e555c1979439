// Sets the light before the first paint, so that nothing flashes white at night, and tells the page its root. Blocking on
// purpose: the content policy forbids inline script.
(function () {
  var light = 'day';
  var dim = '0';
  try {
    light = localStorage.getItem('tidy-owl-light') || light;
    dim = localStorage.getItem('tidy-owl-dim') || dim;
  } catch {
    // Storage may be closed to this page; the day light is then as good as any.
  }
  if (['day', 'dusk', 'red'].indexOf(light) < 0) light = 'day';
  var root = document.documentElement;
  root.dataset.light = light;
  root.dataset.dim = dim;
  root.style.background = { day: '#f4f1ea', dusk: '#151c26', red: '#000000' }[light];
  root.style.colorScheme = light === 'day' ? 'light' : 'dark';
  // A page without a base was opened at the root itself: this script lies beside it.
  if (!document.querySelector('base')) {
    var base = document.createElement('base');
    base.href = new URL('.', document.currentScript.src).pathname;
    document.head.prepend(base);
  }
})();
