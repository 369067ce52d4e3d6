import type { FileRule } from '../../rule';

export const fileSaysOtherwise: FileRule = {
  id: 'rights/file-says-otherwise',
  degree: 'should',
  level: 'read',
  title: 'The file says otherwise than its record',
  why: 'One of the two is wrong: either the organisation credits the wrong person, or whoever copies the picture will.',
  remedy: 'Find out which is right, then put the record right, or have the record written into the file.',
  standard: 'IPTC Photo Metadata; XMP rights management',
  checkFile: ({ contradictions = [] }) =>
    contradictions.length === 0
      ? null
      : {
          evidence: contradictions
            .map(({ field, file, record }) => `${field}: the file says “${file}”, recorded is “${record}”.`)
            .join(' '),
        },
  examples: [
    {
      file: {
        ...{ path: 'img/door.jpg', uses: 1, sizeBytes: 83_200 },
        contradictions: [{ field: 'Whose it is', file: 'Brightline', record: 'Jory Pell' }],
      },
      evidence: 'Whose it is: the file says “Brightline”, recorded is “Jory Pell”.',
    },
    { file: { path: 'img/door.jpg', uses: 1, sizeBytes: 83_200, contradictions: [] }, evidence: null },
    { file: { path: 'img/door.jpg', uses: 1, sizeBytes: 83_200 }, evidence: null },
  ],
};
