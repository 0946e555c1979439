/** The three lights and the dim filter: device settings, kept in localStorage and put on the root element. */
export const LIGHTS = ['day', 'dusk', 'red'] as const;
export type Light = (typeof LIGHTS)[number];
export const LIGHT_NAMES: Record<Light, string> = { day: 'Day', dusk: 'Dusk', red: 'Red' };

export function currentLight(): Light {
  const found = document.documentElement.dataset['light'];
  return LIGHTS.find((light) => light === found) ?? 'day';
}

export function setLight(light: Light): void {
  const root = document.documentElement;
  root.dataset['light'] = light;
  root.style.background = '';
  root.style.colorScheme = '';
  localStorage.setItem('tidy-owl-light', light);
}

export function currentDim(): number {
  return Number(document.documentElement.dataset['dim'] ?? 0);
}

/** Next step of dimming: none, some, much. */
export function nextDim(): number {
  const next = (currentDim() + 1) % 3;
  document.documentElement.dataset['dim'] = String(next);
  localStorage.setItem('tidy-owl-dim', String(next));
  return next;
}
