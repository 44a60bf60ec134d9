import { defineMove, numberParam, REST } from './move';

export const slide = defineMove({
  id: 'slide',
  label: 'Slide',
  params: [
    {
      id: 'angleDegrees',
      label: 'Comes from',
      control: 'number',
      unit: '°',
      min: -360,
      max: 360,
      preset: 180,
    },
    { id: 'distanceU', label: 'Distance', control: 'number', unit: 'u', min: 0, max: 4000, preset: 60 },
    { id: 'fades', label: 'Fades as well', control: 'switch', preset: true },
  ],
  pose(progress, _box, params) {
    const angle = (numberParam(params, 'angleDegrees', 180) * Math.PI) / 180;
    const distance = numberParam(params, 'distanceU', 60) * (1 - progress);
    return {
      ...REST,
      dxU: Math.cos(angle) * distance,
      dyU: Math.sin(angle) * distance,
      opacity: params.fades === false ? 1 : Math.max(0, Math.min(1, progress)),
    };
  },
});
