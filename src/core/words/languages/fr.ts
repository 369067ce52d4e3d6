import type { Vocabulary } from './vocabulary';

export const fr: Vocabulary = {
  functionWords: ['le', 'la', 'les', 'l', 'un', 'une', 'des', 'du', 'de', 'd', 'et', 'ou', 'à', 'au', 'aux', 'en', 'dans', 'sur', 'sous', 'avec', 'sans', 'par', 'pour', 'chez', 'entre', 'vers', 'devant', 'derrière', 'près', 'après', 'avant', 'pendant', 'depuis', 'est', 'sont', 'était', 'a', 'ont', 'son', 'sa', 'ses', 'leur', 'leurs', 'notre', 'nos', 'mon', 'votre', 'ce', 'cet', 'cette', 'ces', 'qui', 'que', 'qu', 'dont', 'où', 'il', 'elle', 'ils', 'elles', 'on', 'nous', 'vous', 'je', 'ne', 'pas', 'se', 's', 'y', 'plus', 'comme', 'mais'], // oxfmt-ignore
  commonWords: ['bas', 'haut', 'noir', 'noire', 'blanc', 'blanche', 'rouge', 'vert', 'verte', 'bleu', 'bleue', 'jaune', 'brun', 'brune', 'gris', 'grise', 'rose', 'doré', 'bois', 'pierre', 'laiton', 'cuivre', 'fer', 'petit', 'petite', 'petits', 'grand', 'grande', 'grands', 'long', 'court', 'large', 'jeune', 'ouvert', 'fermé', 'plein', 'vide', 'deux', 'trois', 'quatre', 'cinq', 'sept', 'huit', 'neuf', 'dix', 'pied', 'jambe', 'aile', 'queue', 'toit', 'mur', 'fenêtre', 'rue', 'rivière', 'jardin', 'champ', 'mer', 'colline', 'matin', 'soir', 'nuit', 'année', 'an', 'eau', 'verre', 'métal', 'tissu', 'poignée', 'couvercle', 'gauche', 'droite', 'assis', 'assise', 'debout', 'tient', 'regarde', 'couché', 'pend', 'porte', 'fleurs', 'cour', 'homme', 'femme', 'vieil', 'vieille'], // oxfmt-ignore
  openEnds: ['le', 'la', 'les', 'un', 'une', 'des', 'du', 'de', 'd', 'l', 'et', 'ou', 'à', 'au', 'aux', 'dans', 'sur', 'sous', 'avec', 'par', 'pour', 'chez', 'entre', 'vers', 'son', 'sa', 'ses', 'leur', 'leurs', 'notre', 'nos', 'ce', 'cette', 'ces', 'qui', 'que', 'dont', 'où', 'très', 'est', 'sont'], // oxfmt-ignore
  relatives: [],
  holdsFigures: ['programme', 'graphique', 'diagramme', 'courbe', 'camembert', 'tableau', 'carte', 'plan', 'croquis', 'schéma', 'horaire', 'horaires', 'calendrier', 'liste', 'tarif', 'tarifs', 'prix', 'menu', 'arbre', 'généalogique', 'organigramme', 'infographie', 'itinéraire', 'statistiques', 'résultats', 'dates'], // oxfmt-ignore
  holdsText: ['dessin', 'panneau', 'ardoise', 'affiche', 'affichette', 'avis', 'annonce', 'dépliant', 'prospectus', 'programme', 'invitation', 'recette', 'fiche', 'formulaire', 'diplôme', 'lettre', 'consignes'], // oxfmt-ignore
  sendsToPicture:
    /(?<!\p{L})(?:voir|voyez|suivez|regardez|consultez|lisez|cf\.?|comme (?:sur|le montre|l['’]indique|dans)|sur (?:l['’]|la |le |les )|montre(?:nt)?|indique(?:nt)?|explique(?:nt)?|donne(?:nt)?|figure(?:nt)?|d['’]après|selon|est marqué|sont marqués|marqué|indiqué|à lire|se lit|se voit|est dans|sont dans|sont sur|est sur)(?!\p{L})[^.!?:;]{0,50}(?<!\p{L})(?:images?|photos?|photographies?|dessins?|schémas?|croquis|plans?|cartes?|graphiques?|courbes?|tableaux?|figures?|listes?|affiches?|affichettes?|panneaux?|organigramme|arbre|calendrier|illustrations?|camembert)(?!\p{L})|(?<!\p{L})(?:image|photo|dessin|schéma|croquis|plan|carte|graphique|courbe|tableau|affiches?|affichette|panneau|organigramme|arbre)(?!\p{L})[^.!?:;]{0,50}(?<!\p{L})(?:montre|indique|explique|donne|précise)(?!\p{L})|(?<!\p{L})(?:image|photo|dessin|schéma|croquis|plan|carte|graphique)(?: ci-(?:dessous|dessus|contre))?,? (?:on (?:voit|distingue|aperçoit)|vous (?:voyez|pouvez voir))(?!\p{L})|(?<!\p{L})(?:ci-(?:dessous|dessus|contre)),? (?:on voit|vous voyez)(?!\p{L})[^.!?:;]{0,20}(?<!\p{L})(?:comment|où|quel(?:le)?s?|ce que|quand)(?!\p{L})|(?<!\p{L})voici (?:comment|comme|où)(?!\p{L})[^.!?:]{0,50}:\s*$|(?<!\p{L})y figurent?(?!\p{L})|(?<!\p{L})comme (?:ceci|cela|ça)\s*[:.]?\s*$/iu,
  toldBeside:
    /(?<!\p{L})(?:voir|décrit|expliqué|donné|repris|mêmes?|comme|texte|figure(?:nt)?)(?!\p{L})[^.]{0,40}(?<!\p{L})(?:ci-dessus|ci-dessous|ci-contre|plus haut|plus bas|à côté|texte|liste|tableau|phrase)(?!\p{L})/iu,
  pictureWords: ['image', 'photo', 'dessin', 'schéma', 'croquis', 'plan', 'carte', 'graphique', 'courbe', 'tableau', 'figure', 'affiche', 'affichette', 'panneau', 'organigramme'], // oxfmt-ignore
  iconLooks: ['clé', 'clef', 'stylo', 'plume', 'crayon', 'enveloppe', 'lettre', 'hibou', 'chouette', 'flèche', 'flèches', 'triangle', 'barres', 'traits', 'points', 'croix', 'plus', 'moins', 'cercle', 'rond', 'carré', 'maison', 'maisonnette', 'porte', 'cloche', 'livre', 'loupe', 'bulle', 'téléphone', 'combiné', 'horloge', 'montre', 'pendule', 'calendrier', 'épingle', 'punaise', 'drapeau', 'globe', 'engrenage', 'roue', 'clé plate', 'marteau', 'panier', 'chariot', 'sac', 'cœur', 'coeur', 'étoile', 'pouce', 'main', 'œil', 'oreille', 'appareil', 'caméra', 'film', 'personne', 'tête', 'silhouette', 'bonhomme', 'cadenas', 'bouclier', 'nuage', 'soleil', 'lune', 'ampoule', 'lampe', 'bougie', 'imprimante', 'disquette', 'dossier', 'feuille', 'page', 'papier', 'trombone', 'ciseaux', 'poubelle', 'corbeille', 'chapeau', 'toque', 'casquette', 'note', 'micro', 'haut-parleur', 'point', 'fleur', 'arbre', 'oiseau', 'abeille', 'poisson', 'chat', 'chien', 'bus', 'voiture', 'train', 'vélo', 'bateau', 'ancre', 'pièce', 'pièces', 'monnaie', 'porte-monnaie', 'billet', 'cadeau', 'colis', 'boîte', 'carte', 'boussole', 'panneau', 'échelle', 'escalier', 'tasse', 'cuillère', 'fourchette', 'gâteau', 'pomme', 'ballon', 'coupe', 'couronne', 'tente', 'parapluie', 'lunettes', 'mains', 'souris', 'écran', 'hexagone', 'écrou', 'fusée', 'puzzle'], // oxfmt-ignore
  deeds: ['chercher', 'rechercher', 'recherche', 'menu', 'accueil', 'retour', 'suivant', 'précédent', 'haut', 'fermer', 'ouvrir', 'imprimer', 'enregistrer', 'télécharger', 'envoyer', 'écrire', 'courriel', 'mail', 'e-mail', 'contact', 'contacter', 'contactez', 'appeler', 'aide', 'connexion', 'inscription', 'inscrire', 'adhérer', 'abonner', 'commander', 'acheter', 'boutique', 'payer', 'donner', 'don', 'partager', 'suivre', 'lire', 'écouter', 'voir', 'regarder', 'montrer', 'plus', 'moins', 'changer', 'choisir', 'supprimer', 'ajouter', 'agrandir', 'langue', 'horaires', 'actualités', 'agenda', 'galerie', 'équipe', 'nos', 'notre', 'comment', 'où', 'aller', 'venir', 'à', 'vers'], // oxfmt-ignore
  tooGeneral: ['chose', 'choses', 'objet', 'pièce', 'oiseau', 'animal', 'insecte', 'plante', 'fleur', 'arbre', 'outil', 'appareil', 'machine', 'livre', 'bâtiment', 'maison', 'salle', 'lieu', 'scène', 'vue', 'paysage', 'extérieur', 'intérieur', 'événement', 'fête', 'groupe', 'gens', 'personnes', 'enfants', 'nourriture', 'plat', 'véhicule', 'voiture', 'instrument', 'produit', 'article', 'travail', 'travaux', 'activité', 'classe', 'sortie', 'détail', 'exemple', 'vieux', 'ancien', 'nouveau', 'beau'], // oxfmt-ignore
  anyPerson: ['homme', 'femme', 'personne', 'garçon', 'fille', 'dame', 'monsieur', 'enfant', 'quelqu', 'portrait', 'visage', 'tête', 'souriant', 'souriante', 'sourire', 'employé', 'membre', 'bénévole', 'professeur', 'jeune', 'vieux', 'vieille', 'photo'], // oxfmt-ignore
  ornaments: ['frise', 'ornement', 'séparateur', 'séparation', 'filet', 'trait', 'ligne', 'puce', 'point', 'décoration', 'décoratif', 'décorative', 'décor', 'fond', 'motif', 'bordure', 'cadre', 'coin', 'vague', 'guirlande', 'fioriture', 'espaceur'], // oxfmt-ignore
  mediaWords: ['pdf', 'vidéo', 'film', 'audio', 'enregistrement', 'son', 'document', 'fichier', 'télécharger', 'aperçu', 'vignette', 'page', 'pages', 'feuille', 'couverture', 'mo', 'ko', 'minutes', 'min'], // oxfmt-ignore
  workNotes:
    /^\W*(?:todo|à faire)\b|(?<!\p{L})(?:à (?:remplacer|décrire|changer|recadrer|compléter|revoir|supprimer)|remplacer (?:par|plus tard)|texte alternatif(?: ici)?$|nouvelle version|ancienne version|ne pas utiliser|provisoire$|image de test|texte de test|demander à)(?!\p{L})|^(?:étape|image|photo|vignette|diapo|bannière|bandeau|tuile|brouillon|version|copie|scan|sans titre|slide|visuel|élément|essai|test|fig(?:ure)?)(?:[\s_-]*(?:\d+|un|deux|trois|quatre|cinq|six|finale?|ok|nouveau|nouvelle|ancien|grande?|petite?|gauche|droite|copie|web|def|v\d+|a|b|c))+$/iu,
  captionPrompts:
    /^\W*(?:todo|à faire)\b|^(?:texte (?:de|pour) (?:la )?)?l[ée]gende(?: (?:à (?:compléter|venir|écrire|ajouter|faire)|ici|manquante|de (?:la photo|l['’]image)|\d+))*\W*$|^(?:votre|saisir|saisissez|écrire|ajouter|ins[ée]rer|entrez) (?:votre |le |un |une |la )?(?:texte|l[ée]gende|titre|description)|^(?:texte|titre|description)(?: ici)?\W*$|^texte (?:d['’]exemple|de remplissage|provisoire|de test)\W*$/iu,
  placeOnPage:
    /(?<!\p{L})(?:photos?|images?|vues?|clichés?|dessins?)\s+(?:de|à|du|en|au|tout à)\s*(?:la\s+)?(?:gauche|droite|haut|bas|milieu|centre)(?!\p{L})/iu,
  aboveBelow:
    /(?<!\p{L})(?:(?<side>ci-dessus|ci-dessous|plus haut|plus bas|au-dessus|au-dessous))(?!\p{L})/iu,
  toCome:
    /(?<!\p{L})(?:sera|seront|pourra|pourrait|devrait|doit|doivent|prévue?s?|projet|plan|maquette|futur|future|avenir|avant (?:le|la|fin)|d['’]ici|date limite|réponses? (?:avant|jusqu)|objectif|vision|esquisse|à partir de)(?!\p{L})/iu,
  seasons: [
    ['hiver', 'neige', 'noël', 'gel', 'givre', 'avent'],
    ['printemps', 'pâques'],
    ['été'],
    ['automne', 'vendanges'],
  ],
  colours: ['noir', 'noire', 'blanc', 'blanche', 'rouge', 'vert', 'verte', 'bleu', 'bleue', 'jaune', 'brun', 'brune', 'marron', 'gris', 'grise', 'orange', 'rose', 'violet', 'violette'], // oxfmt-ignore
  opposites: [
    [
      ['avant', 'cassé', 'cassée', 'abîmé', 'abîmée', 'ruine', 'ruines', 'fermé', 'fermée', 'vide'],
      [
        'après',
        'réparé',
        'réparée',
        'restauré',
        'restaurée',
        'comme neuf',
        'comme neuve',
        'ouvert',
        'ouverte',
        'plein',
        'pleine',
      ],
    ],
    [
      ['premier', 'première'],
      ['deuxième', 'second', 'seconde', 'troisième', 'dernier', 'dernière'],
    ],
    [
      ['deuxième', 'seconde', 'second'],
      ['troisième', 'premier', 'première'],
    ],
    [
      ['gagnant', 'gagnante', 'vainqueur'],
      ['perdant', 'perdante'],
    ],
    [
      ['jour', 'matin', 'midi'],
      ['nuit', 'minuit'],
    ],
    [
      ['garçons', 'hommes', 'homme', 'garçon'],
      ['filles', 'femmes', 'femme', 'fille'],
    ],
  ],
};
