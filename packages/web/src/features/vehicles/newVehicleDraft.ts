/** Under which what is typed of a new vehicle is kept on the device, by person. */
export const NEW_VEHICLE_DRAFT = 'newVehicle';
