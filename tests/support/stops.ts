/** Addresses of the trail's stops, and of the page in the corner of the frame. */
export const stops = [
  '/orders',
  '/markets',
  '/delivery',
  '/offers',
  '/wording',
  '/rehearse',
  '/release',
  '/results',
  '/connections',
];
