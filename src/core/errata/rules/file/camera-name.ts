import { isCameraName } from '../../../picture/title-from-name';
import { isPicture } from '../../places';
import type { Rule } from '../../rule';

export const cameraName: Rule = {
  id: 'file/camera-name',
  degree: 'note',
  level: 'read',
  title: 'The file is called as the camera called it',
  why: 'Nobody finds it again, neither you nor a search engine.',
  remedy: 'Give the picture a title, and swap it in under a name of its own.',
  applies: isPicture,
  check: (_, { picture }) => {
    const name = picture?.path.split('/').at(-1) ?? '';
    return picture?.isThere && isCameraName(name) ? { evidence: `It is called “${name}”.` } : null;
  },
  examples: [
    { html: '<img src="img/DSC_0417.jpg" alt="x">', evidence: 'It is called “DSC_0417.jpg”.' },
    { html: '<img src="img/choir.jpg" alt="x">', evidence: null },
    { html: '<img src="img/2015-1.jpg" alt="x">', evidence: null },
  ],
};
