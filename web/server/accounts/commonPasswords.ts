/** Passwords of ten characters and more that everybody tries first; from memory, lower case. */
export const COMMON_PASSWORDS: ReadonlySet<string> = new Set(
  `password12 password123 password1234 password12345 passwordpassword password!! password1! p@ssword123 p@ssw0rd123 passw0rd123
   1234567890 12345678910 123456789a 1234567891 12345678901 123456789012 0123456789 0987654321 1122334455 1111111111 0000000000
   9999999999 qwertyuiop qwerty1234 qwerty12345 qwerty123456 1qaz2wsx3edc 1q2w3e4r5t 1q2w3e4r5t6y q1w2e3r4t5 qwertyqwerty asdfghjkl1
   asdfghjkl; zxcvbnm123 qazwsxedc1 abcdefghij abcdefgh12 abc1234567 abcd123456 aaaaaaaaaa iloveyou12 iloveyou123 iloveyou1! letmein123
   letmein1234 welcome123 welcome1234 welcome12345 welcome2024 welcome2025 welcome2026 changeme123 changeme1234 administrator admin12345
   admin123456 adminadmin sunshine123 princess123 football123 baseball123 superman123 batman12345 dragon12345 monkey12345 michael123
   charlie123 jennifer12 computer123 internet123 whatever123 trustno1trustno1 starwars123 freedom123 summer2024 summer2025 summer2026
   winter2024 winter2025 winter2026 autumn2025 spring2025 spring2026 december2025 january2026 secret1234 secretsecret testtest123
   test1234567 testing1234 guest12345 default1234 mypassword mypassword1 ilovemydog correcthorsebatterystaple`
    .split(/\s+/)
    .filter(Boolean),
);
