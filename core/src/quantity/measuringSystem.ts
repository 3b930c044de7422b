/** The systems a cup or a spoon may be meant in; chosen per recipe. */
export const MEASURING_SYSTEMS = ['us', 'metric', 'au', 'imperial'] as const;
export type MeasuringSystem = (typeof MEASURING_SYSTEMS)[number];

/** How each system is called on screen and on a card. */
export const MEASURING_SYSTEM_NAMES: Readonly<Record<MeasuringSystem, string>> = {
  us: 'US cups',
  metric: 'Metric',
  au: 'Australian',
  imperial: 'Imperial',
};
