import type { Vocabulary } from './vocabulary';

export const en: Vocabulary = {
  functionWords: ['a', 'an', 'the', 'of', 'in', 'on', 'at', 'with', 'and', 'or', 'to', 'from', 'by', 'for', 'into', 'onto', 'over', 'under', 'behind', 'beside', 'between', 'through', 'across', 'around', 'round', 'near', 'after', 'before', 'during', 'without', 'above', 'below', 'against', 'along', 'up', 'down', 'out', 'off', 'is', 'are', 'was', 'were', 'be', 'been', 'has', 'have', 'had', 'his', 'her', 'their', 'its', 'our', 'my', 'your', 'this', 'that', 'these', 'those', 'who', 'which', 'where', 'while', 'when', 'as', 'it', 'he', 'she', 'they', 'we', 'you', 'not', 'no', 'all', 'some', 'each', 'than', 'then', 'there', 'but', 'so'], // oxfmt-ignore
  commonWords: ['black', 'white', 'red', 'green', 'blue', 'yellow', 'brown', 'grey', 'gray', 'orange', 'pink', 'silver', 'golden', 'wooden', 'iron', 'brass', 'stone', 'small', 'large', 'big', 'little', 'tall', 'long', 'short', 'wide', 'narrow', 'young', 'open', 'closed', 'full', 'empty', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten', 'head', 'hand', 'foot', 'leg', 'wing', 'tail', 'roof', 'wall', 'window', 'street', 'river', 'garden', 'field', 'sea', 'hill', 'morning', 'evening', 'night', 'year', 'water', 'wood', 'paper', 'glass', 'metal', 'cloth', 'handle', 'wheel', 'lid', 'left', 'right', 'sitting', 'standing', 'holding', 'looking', 'lying', 'hanging', 'showing', 'wearing'], // oxfmt-ignore
  openEnds: ['a', 'an', 'the', 'of', 'and', 'or', 'with', 'to', 'at', 'into', 'onto', 'between', 'from', 'by', 'for', 'his', 'their', 'its', 'our', 'my', 'your', 'which', 'because', 'whose', 'very', 'while', 'but', 'than', 'every', 'has been', 'have been'], // oxfmt-ignore
  relatives: ['that', 'which', 'who', 'whom', 'where', 'what'],
  holdsFigures: ['programme', 'program', 'chart', 'barchart', 'graph', 'diagram', 'curve', 'plot', 'table', 'map', 'plan', 'floorplan', 'sketch', 'scheme', 'schedule', 'timetable', 'calendar', 'rota', 'list', 'menu', 'tree', 'infographic', 'overview', 'prices', 'pricelist', 'fees', 'results', 'dates', 'hours', 'route', 'statistics', 'ranking'], // oxfmt-ignore
  holdsText: ['drawing', 'board', 'blackboard', 'chalkboard', 'whiteboard', 'noticeboard', 'notice', 'sign', 'poster', 'flyer', 'leaflet', 'programme', 'program', 'invitation', 'card', 'recipe', 'form', 'certificate', 'letter', 'instructions', 'screenshot', 'ticket'], // oxfmt-ignore
  sendsToPicture:
    /\b(?:as|like|see|look(?:ing)? at|follow|study|use|consult|read|check|find|(?:is|are) (?:given|shown|marked|circled|listed|numbered|explained|to be found|on|in)|can be (?:seen|found|read)|marked|circled|shown|numbered|listed|explained|taken from|shows?|explains?|tells?|gives?|according to|up)\b[^.!?:;]{0,60}\b(?:pictures?|images?|photos?|photographs?|drawings?|diagrams?|sketch(?:es)?|plans?|maps?|charts?|graphs?|curves?|tables?|figures?|lists?|posters?|notices?|boards?|signs?|tree|screenshots?|illustrations?|timetables?|schedules?|overview|menu|programme|flyers?|leaflets?|cards?)\b|\b(?:pictures?|images?|photos?|photographs?|drawings?|diagrams?|sketch(?:es)?|plans?|maps?|charts?|graphs?|curves?|tables?|lists?|posters?|notices?|boards?|timetables?|schedules?|tree|figures?(?: \d+)?)\b[^.!?:;]{0,40}\b(?:shows?|explains?|tells?|gives?|lists?|marks?|is what)\b|\b(?:pictures?|images?|photos?|photographs?|drawings?|diagrams?|sketch(?:es)?|maps?|charts?|graphs?|figures?|illustrations?)\b[^.!?:;]{0,30}\b(?:you (?:can |will )?see|we (?:can )?see|one (?:can )?sees?|can be seen|makes? (?:it )?clear)\b|\b(?:below|above|here) you (?:can |will )?see\b[^.!?:;]{0,20}\b(?:how|where|which|what|when)\b|\b(?:this is how|here is how|here['’]s how|it works like this|how it works)\b[^.!?:]{0,50}:\s*$|\bthe (?:\w+ )?line in the (?:drawing|diagram|picture)\b|\blike (?:this|so)\b\s*[:.]?$|\bthen so\b\s*[:.]?$/iu,
  toldBeside:
    /\b(?:described|explained|repeated|given|listed|told|see|as|same|stands?|figures?|text|numbers|words)\b[^.]{0,40}\b(?:above|below|beside|next to|list|table|text|caption|paragraph|sentence|here)\b|\b(?:above|below) (?:tells?|gives?|lists?|says?|describes?)\b/iu,
  pictureWords: ['picture', 'image', 'photo', 'photograph', 'drawing', 'diagram', 'sketch', 'plan', 'map', 'chart', 'graph', 'curve', 'table', 'figure', 'illustration', 'board', 'notice', 'poster', 'sign', 'tree', 'timetable'], // oxfmt-ignore
  iconLooks: ['key', 'pen', 'pencil', 'feather', 'quill', 'envelope', 'letter', 'owl', 'arrow', 'arrows', 'chevron', 'triangle', 'bars', 'bar', 'lines', 'dots', 'dot', 'cross', 'x', 'plus', 'minus', 'circle', 'square', 'house', 'home icon', 'door', 'bell', 'book', 'glass', 'magnifier', 'magnifying', 'lens', 'loupe', 'bubble', 'balloon', 'speech', 'phone', 'telephone', 'handset', 'receiver', 'clock', 'watch', 'calendar', 'pin', 'marker', 'flag', 'globe', 'world', 'gear', 'cog', 'cogwheel', 'wheel', 'wrench', 'spanner', 'hammer', 'basket', 'cart', 'trolley', 'bag', 'heart', 'star', 'thumb', 'hand', 'eye', 'ear', 'camera', 'film', 'play', 'person', 'head', 'silhouette', 'figures', 'people', 'padlock', 'lock', 'shield', 'cloud', 'sun', 'moon', 'lightbulb', 'bulb', 'lamp', 'candle', 'printer', 'floppy', 'disk', 'disc', 'folder', 'sheet', 'page', 'paper', 'document', 'clip', 'paperclip', 'scissors', 'bin', 'trash', 'can', 'hat', 'cap', 'note', 'music', 'microphone', 'speaker', 'megaphone', 'horn', 'question', 'exclamation', 'mark', 'leaf', 'flower', 'tree', 'bird', 'bee', 'fish', 'cat', 'dog', 'bus', 'car', 'train', 'bicycle', 'bike', 'boat', 'ship', 'anchor', 'coin', 'coins', 'money', 'purse', 'ticket', 'gift', 'parcel', 'box', 'map', 'compass', 'signpost', 'ladder', 'steps', 'cup', 'spoon', 'fork', 'cake', 'apple', 'ball', 'trophy', 'medal', 'crown', 'tent', 'umbrella', 'glasses', 'hands', 'handshake', 'mouse', 'keyboard', 'screen', 'monitor', 'laptop', 'hexagon', 'nut', 'bolt', 'hourglass', 'rocket', 'puzzle', 'kettle'], // oxfmt-ignore
  deeds: ['search', 'find', 'menu', 'home', 'start', 'back', 'next', 'previous', 'forward', 'top', 'close', 'open', 'print', 'save', 'download', 'upload', 'send', 'write', 'mail', 'e-mail', 'email', 'contact', 'call', 'ring', 'help', 'about', 'login', 'log', 'sign', 'register', 'subscribe', 'join', 'order', 'buy', 'shop', 'pay', 'donate', 'give', 'share', 'follow', 'like', 'read', 'listen', 'watch', 'play', 'pause', 'stop', 'show', 'hide', 'more', 'less', 'change', 'choose', 'select', 'edit', 'delete', 'remove', 'add', 'enlarge', 'zoom', 'language', 'directions', 'news', 'events', 'gallery', 'team', 'our', 'how', 'where', 'when', 'what', 'why', 'visit', 'book', 'go', 'to', 'page', 'website', 'site'], // oxfmt-ignore
  tooGeneral: ['thing', 'things', 'object', 'item', 'piece', 'stuff', 'something', 'bird', 'animal', 'insect', 'plant', 'flower', 'tree', 'tool', 'device', 'machine', 'book', 'building', 'house', 'room', 'place', 'scene', 'view', 'landscape', 'outside', 'inside', 'interior', 'event', 'group', 'people', 'persons', 'children', 'kids', 'crowd', 'food', 'dish', 'vehicle', 'car', 'instrument', 'product', 'work', 'activity', 'activities', 'team', 'class', 'hall', 'stage', 'party', 'trip', 'fun', 'detail', 'example', 'various', 'old', 'new', 'nice', 'beautiful'], // oxfmt-ignore
  anyPerson: ['man', 'woman', 'person', 'boy', 'girl', 'lady', 'gentleman', 'child', 'someone', 'somebody', 'portrait', 'headshot', 'face', 'head', 'smiling', 'smile', 'camera', 'looking', 'photo', 'employee', 'member', 'staff', 'teacher', 'guy', 'young', 'old', 'elderly'], // oxfmt-ignore
  ornaments: ['spacer', 'divider', 'separator', 'ornament', 'bullet', 'decoration', 'decorative', 'border', 'rule', 'line', 'frieze', 'flourish', 'squiggle', 'swirl', 'dots', 'dot', 'background', 'pattern', 'texture', 'shadow', 'corner', 'wave', 'garland', 'gradient', 'filler', 'shape'], // oxfmt-ignore
  mediaWords: ['pdf', 'video', 'film', 'movie', 'clip', 'audio', 'recording', 'sound', 'document', 'file', 'download', 'podcast', 'slides', 'sheet', 'preview', 'thumbnail', 'page', 'cover', 'watch', 'listen', 'mb', 'kb', 'minutes', 'min', 'pages'], // oxfmt-ignore
  workNotes:
    /^\W*(?:todo|to do|fixme|tbd|tba|xxx+)\b|\b(?:to be (?:replaced|described|done|added|cropped)|replace (?:me|this|later|with)|(?:insert|add|replace|update) (?:\w+ ){0,2}(?:photos?|pictures?|images?|pics?)(?: here)?$|needs? (?:alt|cropping|a caption|replacing)|use (?:this|other|the other) one|alt(?:ernative)? text(?: here)?$|new version|old version|do not use|don['’]t use|for website|ask \p{Lu}\p{Ll}+|check with)\b|^(?:hero|slide|step|banner|teaser|tile|thumb(?:nail)?|scan|crop|final|draft|copy|version|untitled|unnamed|header|footer|item|photo|picture|image|pic|figure|gallery|scrap|test(?: text| image| picture)?)(?:[\s_-]*(?:\d+|one|two|three|four|five|six|seven|eight|nine|ten|left|right|big|small|large|final|new|old|ok|done|copy|web|v\d+|image|photo|item|a|b|c))+$/iu,
  captionPrompts:
    /^\W*(?:todo|tbd|tba)\b|^(?:your|the|a|an|add|enter|write|type|insert|put)?\s*(?:image |photo |picture |figure )?caption(?: (?:text|goes|to come|here|to follow|missing|please|\d+))*\W*$|^caption\b[^.]{0,20}\b(?:to come|here|tbd|missing)\b|^(?:enter|type|add|write|insert) (?:your |a |some |the )?(?:text|caption|description)|^(?:text|description|title|subtitle)(?: here| goes here)?\W*$|^(?:no|missing) caption\W*$|^(?:some|sample|dummy|placeholder|example|test) (?:text|caption|words)\W*$/iu,
  placeOnPage:
    /\b(?:pictures?|images?|photos?|photographs?)\s+(?:(?:on|to|at|in)\s+the\s+)?(?:far\s+)?(?:left|right|middle|centre|center|top|bottom)\b|\b(?:left|right|middle|upper|lower|top|bottom)(?:-hand)?\s+(?:picture|image|photo|photograph)s?\b/iu,
  aboveBelow: /\b(?<side>above|below|overleaf)\b/iu,
  toCome:
    /\b(?:will|shall|may(?= [a-z])|might|could|would|to be|plan(?:s|ned)?|planning|design|proposal|how .{0,30} (?:look|be)|until|by the end|deadline|due|expected|vision|future|in time for|model of|opens? in|from \d{4} on|answers?|apply|applications?|scheduled|goal|aim|visuali[sz]ation|rendering|artist['’]s impression)\b/iu,
  seasons: [
    ['winter', 'snow', 'snowy', 'christmas', 'advent', 'ice', 'frost', 'sledge', 'sledges'],
    ['spring', 'easter', 'blossom'],
    ['summer', 'midsummer'],
    ['autumn', 'harvest', 'halloween'],
  ],
  colours: ['black', 'white', 'red', 'green', 'blue', 'yellow', 'brown', 'grey', 'gray', 'orange', 'pink', 'purple', 'silver', 'gold'], // oxfmt-ignore
  opposites: [
    [
      ['before', 'broken', 'damaged', 'ruins', 'ruined', 'cracked', 'torn', 'closed', 'empty', 'old'],
      [
        'after',
        'repaired',
        'mended',
        'restored',
        'finished',
        'at its best',
        'like new',
        'as new',
        'open',
        'full',
        'brand new',
      ],
    ],
    [['first'], ['second', 'third', 'fourth', 'last']],
    [['second'], ['third', 'first', 'fourth']],
    [
      ['winner', 'wins', 'won'],
      ['loser', 'lost', 'second'],
    ],
    [
      ['day', 'morning', 'noon', 'midday'],
      ['night', 'midnight'],
    ],
    [
      ['boys', 'men', 'man', 'boy'],
      ['girls', 'women', 'woman', 'girl'],
    ],
  ],
};
