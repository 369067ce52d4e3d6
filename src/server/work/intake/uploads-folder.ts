import { join } from 'node:path';
import { settings } from '../../settings';

/** Where the bytes of uploads lie until they are taken in. */
export const uploadsFolder = (): string => join(settings().ownFolder, 'uploads');
