/**
 * Long passphrases that are guessed first, without blanks and signs, in small letters: runs of keys and figures, common words put
 * together, lines that everybody knows (from the lists that are usually shipped, recalled). Figures at the end are taken off
 * before it is looked up.
 */
export const commonPassphrases: ReadonlySet<string> = new Set(
  `qwertyuiop qwertyuiopas qwertyuiopasdf qwertyuiopasdfghjkl qwertyuiopasdfghjklzxcvbnm qwertzuiop qwertzuiopasdfghjkl
  azertyuiop azertyuiopqsdfghjklm asdfghjkl asdfghjklqwertyuiop asdfghjklzxcvbnm zxcvbnmasdfghjkl zxcvbnmqwerty
  qazwsxedcrfv qazwsxedcrfvtgb qazwsxedcrfvtgbyhnujm zaqxswcdevfr qweasdzxcrty abcdefghijkl abcdefghijklm
  abcdefghijklmnop abcdefghijklmnopqrstuvwxyz 1q2w3e4r5t6y 1q2w3e4r5t6y7u8i 1qaz2wsx3edc 1qaz2wsx3edc4rfv
  123456789012 1234567890123 1234567890123456 123456789123 123456789abc 1234567890qwertyuiop 0987654321098
  987654321098 098765432109 012345678901 0123456789ab 111111111111 123123123123 121212121212 112233445566
  password passwordpassword passwordadmin adminpassword mypassword mypasswordis thisismypassword thepassword
  newpassword newpasswordnow changemenow changemeplease changeme pleasechangeme letmeinplease letmein letmeinnow
  administrator administratoradmin adminadmin superadministrator iloveyousomuch iloveyouforever iloveyou
  iloveyoubaby welcomewelcome welcometothelab welcomehome welcome sunshinesunshine sunshine princessprincess
  footballfootball football baseballbaseball baseball dragondragon monkeymonkey mastermaster shadowshadow
  trustno1trustno trustnobody supermanbatman superman startrekstarwars starwarsstarwars starwars
  correcthorsebatterystaple opensesame opensesameplease abracadabra abracadabraabra hocuspocus
  thequickbrownfox thequickbrownfoxjumps thequickbrownfoxjumpsoverthelazydog tobeornottobe tobeornottobethatisthequestion
  onceuponatime maytheforcebewithyou housewithnodoor nevergonnagiveyouup happybirthday happybirthdaytoyou merrychristmas
  jesuslovesme godisgood godblessyou ourfatherwhoartinheaven praisethelord
  dentallab dentallaboratory dentallabdental dentaltechnician denturedenture crownandbridge zirconiacrown
  plasterplaster plasterofparis waxupwaxup toothtooth whiteteeth dentistdentist
  secretsecret topsecret verysecret secretpassword unknownunknown defaultpassword defaultdefault guestguest
  testtesttest testing testpassword computercomputer internetinternet lockedlocked nothingnothing`.split(
    /\s+/,
  ),
)
