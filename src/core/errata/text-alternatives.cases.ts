/**
 * Markup of pictures and what is to be said of it; the answers are those of an accessibility engine in a browser, which
 * a browser test asks for each.
 */

/** Pictures without a text alternative. */
export const MISSING: readonly string[] = [
  '<img src="a.png">',
  '<img src="a.png" title="">',
  '<img src="a.png" aria-label="">',
  '<img src="a.png" aria-labelledby="nowhere">',
  '<img src="a.png" role="img">',
  '<img src="a.png" alt=" ">',
  '<img src="a.png" alt=" " title="Hall">',
  '<img src="a.png" alt=" " aria-label="Hall">',
  '<img src="a.png" width="20" height="20">',
  '<img data-src="a.png">',
  '<img srcset="a.png 1x">',
  '<a href="x.html"><img src="a.png"></a>',
  '<a href="x.html"><img src="a.png"> Lessons</a>',
  '<button><img src="a.png"></button>',
  '<picture><source srcset="b.png"><img src="a.png"></picture>',
  '<figure><img src="a.png"><figcaption>Hall</figcaption></figure>',
  '<input type="image" src="a.png">',
  '<input type="image" src="a.png" alt="">',
  '<input type="image" src="a.png" alt=" ">',
  '<input type="image" src="a.png" title="">',
  '<object data="a.png" type="image/png"></object>',
  '<object data="a.png" type="image/png" alt="Hall"></object>',
  '<object data="a.png" type="image/png" aria-label=" "></object>',
  '<img>',
  '<img src="">',
  '<picture><source srcset="b.png"><img></picture>',
  '<img src="a.png" alt="Plan" usemap="#m"><map name="m"><area href="x.html"></map>',
  '<img src="a.png" alt="Plan" usemap="#m"><map name="m"><area href="x.html" alt=""></map>',
  '<img src="a.png" alt="Plan" usemap="#m"><map name="m"><area href="x.html" alt=" "></map>',
  '<img src="a.png" alt="Plan" usemap="#m"><map name="m"><area href="x.html" title=""></map>',
  '<img src="a.png" alt="Plan" usemap="#m"><map name="m"><area href="x.html" alt="" role="none"></map>',
  '<svg role="img"><path d="M0 0h9"/></svg>',
  '<svg role="img"><title></title></svg>',
  '<svg role="img"><g><title>Hall</title></g></svg>',
  '<svg role="graphics-document"></svg>',
  '<svg><g role="graphics-symbol"></g></svg>',
  '<svg role="img" aria-label=""></svg>',
  '<i role="img"></i>',
  '<x-icon role="img">Hall</x-icon>',
  '<div role="img" style="background-image: url(a.png)"></div>',
  '<div role="img" alt="Hall"></div>',
  '<a href="x.html"><svg role="img"></svg></a>',
];

/** Pictures that have one, or need none. */
export const THERE: readonly string[] = [
  '<img src="a.png" alt="">',
  '<img src="a.png" alt>',
  '<img src="a.png" alt="Hall">',
  '<img src="a.png" title="Hall">',
  '<img src="a.png" aria-label="Hall">',
  '<img src="a.png" aria-labelledby="h1">',
  '<img src="a.png" role="presentation">',
  '<img src="a.png" role="none">',
  '<img src="a.png" alt=" " role="none">',
  '<img src="a.png" aria-hidden="true">',
  '<div aria-hidden="true"><img src="a.png"></div>',
  '<input type="image" src="a.png" alt="Go">',
  '<input type="image" src="a.png" alt="" title="Go">',
  '<input type="image" src="a.png" aria-label="Go">',
  '<object data="a.png" type="image/png" title="Hall"></object>',
  '<object data="a.png" type="image/png" aria-label="Hall"></object>',
  '<object data="a.png" type="image/png" role="none"></object>',
  '<img alt="">',
  '<img title="Hall">',
  '<img src="a.png" alt="Plan" usemap="#m"><map name="m"><area href="x.html" alt="Hall"></map>',
  '<img src="a.png" alt="Plan" usemap="#m"><map name="m"><area href="x.html" title="Hall"></map>',
  '<img src="a.png" alt="Plan" usemap="#m"><map name="m"><area href="x.html" alt="" aria-label="Hall"></map>',
  '<img src="a.png" alt="Plan" usemap="#m"><map name="m"><area></map>',
  '<svg><path d="M0 0h9"/></svg>',
  '<svg role="img"><title>Hall</title></svg>',
  '<svg role="img" aria-label="Hall"></svg>',
  '<svg role="img" aria-labelledby="h1"></svg>',
  '<svg role="img" title="Hall"></svg>',
  '<svg role="presentation"></svg>',
  '<svg role="img" aria-hidden="true"></svg>',
  '<div role="img" aria-label="Hall"></div>',
  '<div role="none"></div>',
  '<span role="button"></span>',
  '<img src="a.png" aria-hidden="true" hidden>',
];

/** Pictures without one, that readers don’t meet as the page is written. */
export const HIDDEN: readonly string[] = [
  '<img src="a.png" hidden>',
  '<img src="a.png" style="display:none">',
  '<img src="a.png" style="visibility: hidden">',
  '<div hidden><img src="a.png"></div>',
  '<div style="display: none"><img src="a.png"></div>',
  '<img style="display:none">',
];

/** Links of pictures without a name. */
export const NAMELESS_LINKS: readonly string[] = [
  '<a href="x.html"><img src="a.png" alt=""></a>',
  '<a href="x.html"><img src="a.png" alt="Hall" role="presentation"></a>',
  '<a href="x.html"><span hidden>Lessons</span><img src="a.png" alt=""></a>',
  '<a href="x.html"><span style="display:none">Lessons</span><img src="a.png" alt=""></a>',
  '<a href="x.html"><img src="a.png" alt=""><img src="b.png" alt=""></a>',
  '<a href="x.html"><img srcset="a.png 1x" alt=""></a>',
];

/** Links that have one, and pictures that are no link. */
export const NAMED_LINKS: readonly string[] = [
  '<a href="x.html"><img src="a.png" alt="Hall"></a>',
  '<a href="x.html"><img src="a.png" alt=""> Lessons</a>',
  '<a href="x.html" title="Lessons"><img src="a.png" alt=""></a>',
  '<a href="x.html" aria-label="Lessons"><img src="a.png" alt=""></a>',
  '<a href="x.html" aria-labelledby="h1"><img src="a.png" alt=""></a>',
  '<a href="x.html"><img src="a.png" alt=""><img src="b.png" alt="Lessons"></a>',
  '<a><img src="a.png" alt=""></a>',
  '<img src="a.png" alt="">',
];

/** Buttons with nothing but undescribed pictures. */
export const NAMELESS_BUTTONS: readonly string[] = [
  '<button><img src="a.png" alt=""></button>',
  '<button type="submit"><span><img src="a.png" alt=""></span></button>',
  '<div role="button" tabindex="0"><img src="a.png" alt=""></div>',
  '<button><img src="a.png" alt="Close" role="none"></button>',
  '<button><span hidden>Close</span><img src="a.png" alt=""></button>',
  '<button><img src="a.png" alt=""><img src="b.png" alt=""></button>',
];

/** Buttons that have a name, whatever gives it. */
export const NAMED_BUTTONS: readonly string[] = [
  '<button><img src="a.png" alt="Close"></button>',
  '<button><img src="a.png" alt=""> Close</button>',
  '<button title="Close"><img src="a.png" alt=""></button>',
  '<button aria-label="Close"><img src="a.png" alt=""></button>',
  '<button aria-labelledby="h1"><img src="a.png" alt=""></button>',
  '<button><img src="a.png" alt=""><img src="b.png" alt="Close"></button>',
  '<div role="button" tabindex="0">Close <img src="a.png" alt=""></div>',
  '<div><img src="a.png" alt=""></div>',
];
