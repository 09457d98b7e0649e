/**
 * Files that leave the program or come in: an opening, a **body template**, a **parts pack**, a **fit report**, the whole **shop**. All are JSON of a stated
 * format and version, read strictly: a failure names the place, what was read and what is expected.
 */
export { type BodyTemplate, bodyTemplateSchema, openingsOfTemplate, panelsOfTemplate } from './bodyTemplate';
export { type PartsFile, partsFileSchema } from './partsFile';
export { explainFileFailure, readFile } from './readFile';
export { brokenReferences, type ShopFile, shopFileSchema, upgradeShopFile } from './shopFile';
