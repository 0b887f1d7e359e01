/** Functions that take a pin first. */
export const TAKES_PIN =
  /^(?:pinMode|digital(?:Read|Write)|analog(?:Read|Write)|tone|noTone|attach|pulseIn)$/;
