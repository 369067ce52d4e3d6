/** Who may do what: a row for every server action and every route of the application. */
import type { Role } from '@/core/edition/edition-state';

const EDIT: readonly Role[] = ['maintainer', 'owner'];
const RELEASE: readonly Role[] = ['maintainer', 'approver'];
const SURVEY: readonly Role[] = ['maintainer', 'owner', 'approver'];
const RUN: readonly Role[] = ['maintainer'];
const LOOK: readonly Role[] = ['maintainer', 'owner', 'approver', 'viewer'];

interface Row {
  /** Path below `src/app`, and what it exports. */
  readonly at: string;
  /** `everybody` needs no sign-in. */
  readonly who: readonly Role[] | 'everybody';
  /** The verbs that it calls, where who may is decided; for routes that only read, who is signed in. */
  readonly verbs: readonly string[];
}

const row = (at: string, who: Row['who'], ...verbs: string[]): Row => ({ at, who, verbs });
const S = 's/[slug]';

export const ROLE_MATRIX: readonly Row[] = [
  row('sign-in/actions.ts signIn', 'everybody', 'countTry'),
  row('sign-in/actions.ts signOut', 'everybody'),
  row('sites/new/actions.ts connect', RUN, 'connectSite'),
  row(`${S}/editions/[number]/actions.ts publish`, RELEASE, 'publishEdition'),
  row(`${S}/editions/[number]/actions.ts withdraw`, RELEASE, 'withdrawEdition'),
  row(`${S}/editions/[number]/actions.ts undoAgain`, RELEASE, 'tryUndoingAgain'),
  row(`${S}/editions/[number]/actions.ts settle`, RELEASE, 'settleByHand'),
  row(`${S}/editions/[number]/actions.ts takeOut`, EDIT, 'dropChange'),
  row(`${S}/editions/[number]/actions.ts leaveThere`, EDIT, 'leavePlaces'),
  row(`${S}/editions/[number]/actions.ts keepFile`, EDIT, 'dropRemoval'),
  row(`${S}/sections/actions.ts save`, RUN, 'saveSection'),
  row(`${S}/sections/actions.ts remove`, RUN, 'removeSection'),
  row(`${S}/sections/actions.ts takeViews`, EDIT, 'importViews'),
  row(`${S}/sections/actions.ts forget`, EDIT, 'forgetViews'),
  row(`${S}/pictures/actions.ts teach`, EDIT, 'teachPlaceholder'),
  row(`${S}/pictures/actions.ts settle`, EDIT, 'settleKind'),
  row(`${S}/pictures/actions.ts show`, EDIT, 'showSubject'),
  row(`${S}/pictures/actions.ts takeBack`, EDIT),
  row(`${S}/pictures/actions.ts sort`, EDIT, 'correctFamily'),
  row(`${S}/pictures/actions.ts keepSubject`, EDIT, 'saveSubject'),
  row(`${S}/pictures/actions.ts forgetSubject`, EDIT, 'removeSubject'),
  row(`${S}/pictures/actions.ts keepTitles`, EDIT, 'titlePictures'),
  row(`${S}/pictures/[id]/swap/actions.ts bringIn`, EDIT, 'receiveIntake'),
  row(`${S}/pictures/[id]/swap/actions.ts takeOwn`, EDIT, 'takeFromSite'),
  row(`${S}/pictures/[id]/swap/actions.ts putIntoEdition`, EDIT, 'gatherSwap'),
  row(`${S}/pictures/[id]/off/actions.ts takeOffPages`, EDIT, 'gatherTakeOff'),
  row(`${S}/clips/actions.ts putClip`, EDIT, 'gatherSentClip'),
  row(`${S}/clips/upload/[[...id]]/route.ts POST`, EDIT, 'answerUpload'),
  row(`${S}/clips/file/route.ts GET`, LOOK, 'answerForSite'),
  row(`${S}/revise/actions.ts weigh`, EDIT, 'weighRevision'),
  row(`${S}/revise/actions.ts keep`, EDIT, 'keepRevision'),
  row(`${S}/pairs/actions.ts putPairs`, EDIT, 'gatherPairs'),
  row(`${S}/intake/actions.ts writeLines`, EDIT, 'changeLines'),
  row(`${S}/intake/actions.ts fetchFrom`, EDIT, 'fetchPicture'),
  row(`${S}/intake/actions.ts giveUp`, EDIT, 'forgetUpload'),
  row(`${S}/intake/actions.ts putAside`, EDIT, 'closeDelivery'),
  row(`${S}/intake/upload/[[...id]]/route.ts POST`, EDIT, 'answerUpload'),
  row(`${S}/intake/lines/route.ts GET`, LOOK, 'currentActor'),
  row(`${S}/text-desk/actions.ts keepWords`, EDIT, 'gatherWords'),
  row(`${S}/rights/actions.ts takeRecords`, RUN, 'importRecords'),
  row(`${S}/rights/actions.ts sayRights`, EDIT, 'recordPicture'),
  row(`${S}/rights/many/actions.ts sayOfMany`, EDIT, 'recordMany'),
  row(`${S}/rights/many/actions.ts takeBackOfMany`, EDIT, 'putRecordsBack'),
  row(`${S}/rights/actions.ts sayCreditForm`, RUN, 'keepCreditForm'),
  row(`${S}/rights/actions.ts writeIntoFiles`, EDIT, 'gatherRights'),
  row(`${S}/rights/actions.ts tellOnPages`, EDIT, 'gatherTelling'),
  row(`${S}/rights/people/actions.ts recordRelease`, RUN, 'giveRelease'),
  row(`${S}/rights/people/actions.ts withdraw`, RUN, 'withdrawRelease'),
  row(`${S}/rights/papers/actions.ts sendPaper`, EDIT, 'keepPaper'),
  row(`${S}/rights/papers/actions.ts takePaperAway`, EDIT, 'dropPaper'),
  row(`${S}/rights/people/actions.ts erase`, RUN, 'erasePerson'),
  row(`${S}/rights/people/actions.ts keepMarks`, RUN, 'markPeople'),
  row(`${S}/rights/people/[person]/data/route.ts GET`, RUN, 'giveOutPerson'),
  row(`${S}/rights/papers/[id]/route.ts GET`, EDIT, 'openPaper'),
  row(`${S}/files/actions.ts makeLighter`, EDIT, 'gatherRefit'),
  row(`${S}/files/actions.ts takeOff`, RUN, 'gatherRemovals'),
  row(`${S}/settings/actions.ts saveSettings`, RUN, 'changeSite'),
  row(`${S}/settings/shelf-lives/actions.ts keepShelfLife`, RUN, 'saveShelfLife'),
  row(`${S}/settings/shelf-lives/actions.ts keepSchoolYear`, RUN, 'saveSchoolYear'),
  row(`${S}/settings/rules/actions.ts saveRuleLevel`, RUN, 'setRuleLevel'),
  row(`${S}/errata/actions.ts keepStanding`, EDIT, 'letStand'),
  row(`${S}/errata/actions.ts stopStanding`, EDIT, 'standNoLonger'),
  row(`${S}/errata/actions.ts gatherProposals`, EDIT, 'gatherWords'),
  row(`${S}/errata/actions.ts takeProposalsBack`, EDIT),
  row(`${S}/errata/actions.ts putTextsIn`, EDIT, 'gatherFixes'),
  row(`${S}/errata/actions.ts refit`, EDIT, 'gatherRefit'),
  row(`${S}/surveys/actions.ts surveyNow`, SURVEY, 'startSurvey'),
  row(`${S}/surveys/actions.ts stopNow`, SURVEY, 'stopSurvey'),
  row(`${S}/surveys/actions.ts goOn`, SURVEY, 'resumeSurvey'),
  row(`${S}/surveys/actions.ts schedule`, RUN, 'scheduleSurveys'),
  row(`${S}/pages/[id]/actions.ts keepMeasures`, EDIT, 'saveSlots'),
  row(`${S}/rights/endings.ics/route.ts GET`, LOOK, 'currentActor'),
  row(`${S}/rights/images.jsonld/route.ts GET`, EDIT, 'statementsOf'),
  row(`${S}/rights/image-sitemap.xml/route.ts GET`, EDIT, 'sitemapOf'),
  row(`${S}/rights/records/route.ts GET`, RUN, 'exportRecords'),
  row(`${S}/image/[sha]/route.ts GET`, LOOK, 'currentActor'),
  row(`${S}/text-desk/item/route.ts GET`, LOOK, 'currentActor'),
  row(`${S}/text-desk/check/route.ts POST`, LOOK, 'currentActor'),
  row(`${S}/status/route.ts GET`, LOOK, 'currentActor'),
  row('proof/[token]/[...path]/route.ts GET', LOOK),
];
